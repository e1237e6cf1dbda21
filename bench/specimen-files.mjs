// A React project of many specimens.
import { mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";

/** A project of lists, with a file of specimens for each. */
export function specimenProject(count) {
  const folder = mkdtempSync(path.join(os.tmpdir(), "keel-bench-"));
  process.on("exit", () => rmSync(folder, { recursive: true, force: true }));
  symlinkSync(path.resolve("node_modules"), path.join(folder, "node_modules"));
  mkdirSync(path.join(folder, "src"));
  writeFileSync(path.join(folder, "package.json"), '{"name":"yard"}');
  const files = Array.from({ length: count }, (_, n) => {
    const rows = Array.from(
      { length: 8 },
      (_, row) =>
        `      <li><span className="slip">Slip ${row}</span> <button type="button">Book slip ${row}</button></li>`,
    );
    writeFileSync(
      path.join(folder, `src/list${n}.tsx`),
      `import { useState } from "react";\nimport "./list${n}.css";\nexport function List${n}() {\n  const [open, setOpen] = useState(false);\n  return (\n    <section className="list">\n      <h2>Slips ${n}</h2>\n      <ul>\n${rows.join("\n")}\n      </ul>\n      <button type="button" aria-expanded={open} onClick={() => setOpen(!open)}>What it costs</button>\n      {open && <p>18 a day</p>}\n    </section>\n  );\n}\n`,
    );
    writeFileSync(
      path.join(folder, `src/list${n}.css`),
      `.list { color: #222; background: #fff; }\n.list .slip { font-weight: ${400 + n}; }\n`,
    );
    const file = path.join(folder, `src/list${n}.specimen.tsx`);
    writeFileSync(
      file,
      `import { specimen } from "even-keel/specimen";\nimport { List${n} } from "./list${n}";\nspecimen("list ${n}", () => <List${n} />);\n`,
    );
    return file;
  });
  return { folder, files };
}
