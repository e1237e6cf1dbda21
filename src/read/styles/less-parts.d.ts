/** The parts of the compiler that are used; its own types lack `createFromEnvironment`. */
declare module "less" {
  class FileManager {
    supports(filename: string): boolean;
    supportsSync(filename: string): boolean;
    loadFile(
      filename: string,
      folder: string,
    ): Promise<{ readonly filename: string; readonly contents: string }>;
  }

  interface Less {
    readonly FileManager: typeof FileManager;
    readonly environment: unknown;
    PluginLoader: new () => object;
    createFromEnvironment(environment: unknown, managers: readonly FileManager[]): Less;
    render(
      text: string,
      options: Readonly<Record<string, unknown>>,
    ): Promise<{ readonly css: string; readonly map?: string }>;
  }

  const less: Less;
  export default less;
}
