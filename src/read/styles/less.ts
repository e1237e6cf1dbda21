import path from "node:path";
import less from "less";
import { mappingsIn, marksOf } from "./marks.ts";
import { keptRemarks, type StyleCompiler } from "./style-compiler.ts";
import type { StyleFiles } from "./style-files.ts";

class ProjectFiles extends less.FileManager {
  readonly #files: StyleFiles;

  constructor(files: StyleFiles) {
    super();
    this.#files = files;
  }

  override supports(): boolean {
    return true;
  }

  /** Functions that look into pictures ask for files at once: they get none. */
  override supportsSync(): boolean {
    return false;
  }

  override async loadFile(
    filename: string,
    folder: string,
  ): Promise<{ readonly filename: string; readonly contents: string }> {
    const found = /^(?:[a-z][a-z0-9+.-]+:)?\/\//i.test(filename)
      ? null
      : await this.#files.find(filename, path.join(folder, "importing.less"), lessNames);
    const text = found === null ? null : await this.#files.text(found);
    if (found === null || text === null) throw new Error(`"${filename}" was not found in the project.`);
    return { filename: found, contents: keptRemarks(text) };
  }
}

/** Plugins are code: the compiler wants a loader, and refuses to ask it. */
class NoPlugins {}

/** With no way to files and addresses but through `files`; scripts that a text names or holds are not run. */
export const compileLess: StyleCompiler = async (style, files, sourceOf) => {
  const compiler = less.createFromEnvironment(less.environment, [new ProjectFiles(files)]);
  compiler.PluginLoader = NoPlugins;
  const { css, map } = await compiler.render(keptRemarks(style.source.text), {
    filename: style.path,
    javascriptEnabled: false,
    disablePluginRule: true,
    sourceMap: { sourceMapBasepath: "", disableSourcemapAnnotation: true },
  });
  const mappings = map === undefined ? [] : mappingsIn(map);
  const written = (name: string) => (name === style.path ? style.source : sourceOf(name));
  return { css, ...marksOf(css, mappings, style.source, written) };
};

const lessNames = (file: string): readonly string[] =>
  /\.(?:less|css)$/.test(file) ? [file] : [file, `${file}.less`];
