import { compileStringAsync, Exception, type Importer, Logger, type Syntax } from "sass";
import { mappingsIn, marksOf } from "./marks.ts";
import { keptRemarks, type StyleCompiler } from "./style-compiler.ts";
import type { StyleFiles } from "./style-files.ts";

export const compileSass: StyleCompiler = async (style, files, sourceOf) => {
  const url = urlOf(style.path);
  const importer = importerOf(files, style.path);
  const compiled = compileStringAsync(keptRemarks(style.source.text), {
    syntax: style.language === "sass" ? "indented" : "scss",
    url,
    importer,
    importers: [importer],
    sourceMap: true,
    charset: false,
    logger: Logger.silent,
  });
  const { css, sourceMap } = await compiled.catch((error: unknown) => {
    if (!(error instanceof Exception)) throw error;
    throw new Error(`${error.sassMessage.replace(/\.$/, "")}: ${error.span.text.trim()}`);
  });
  const written = (name: string) =>
    name === url.href ? style.source : name.startsWith("file:") ? sourceOf(pathOf(name)) : null;
  return { css, ...marksOf(css, mappingsIn(sourceMap), style.source, written) };
};

const importerOf = (files: StyleFiles, entry: string): Importer<"async"> => ({
  async canonicalize(written, { containingUrl }) {
    const from = containingUrl === null ? entry : pathOf(containingUrl);
    const specifier = written.startsWith("file:") ? pathOf(written) : written;
    const found = await files.find(specifier, from, sassNames);
    return found === null ? null : urlOf(found);
  },
  async load(url) {
    const file = pathOf(url);
    const text = await files.text(file);
    if (text === null) return null;
    const syntax: Syntax = file.endsWith(".sass") ? "indented" : file.endsWith(".css") ? "css" : "scss";
    return { contents: syntax === "css" ? text : keptRemarks(text), syntax, sourceMapUrl: url };
  },
});

/** A path without an ending, a partial with its low line, a folder with an index. */
function sassNames(path: string): readonly string[] {
  const slash = path.lastIndexOf("/") + 1;
  const [folder, name] = [path.slice(0, slash), path.slice(slash)];
  if (/\.(?:scss|sass|css)$/.test(name)) return [path, `${folder}_${name}`];
  const endings = [".scss", ".sass", ".css"];
  return [
    ...endings.flatMap((ending) => [`${path}${ending}`, `${folder}_${name}${ending}`]),
    ...endings.flatMap((ending) => [`${path}/index${ending}`, `${path}/_index${ending}`]),
  ];
}

const urlOf = (path: string): URL => new URL(`file://${path.split("/").map(encodeURIComponent).join("/")}`);

const pathOf = (url: string | URL): string => decodeURIComponent(new URL(url).pathname);
