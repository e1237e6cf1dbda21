import { builtByVite, type ViteRequest, viteRemark } from "./mount/vite-bundle.ts";
import { refuseNetwork } from "./refusals.ts";

refuseNetwork();

// A process of its own: what Vite builds with does not let go of a worker. It ends with whoever asked for it.
process.on("disconnect", () => process.exit());

process.on("message", async ({ request, files, frameworks, config }: ViteRequest) => {
  try {
    process.send?.({ built: await builtByVite(request, files, frameworks, config) });
  } catch (error) {
    process.send?.({ remark: viteRemark(error, request.workingDirectory) });
  }
});
