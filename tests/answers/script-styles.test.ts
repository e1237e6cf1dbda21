// biome-ignore-all lint/suspicious/noTemplateCurlyInString: the placeholders are those of the sources that are read
import { describe, expect, test } from "vitest";
import { auditFiles } from "./component-project.ts";

const theme = 'export const tones = { pale: "#aaaaaa", ink: "#222222" };\n';
const slip = (styles: string, markup: string, from = "styled-components") =>
  `import styled, { css } from "${from}";
import { tones } from "./tones";
${styles}
export const Slip = ({ calm }) => <div style={{ background: "#fff" }}>${markup}</div>;
`;

/** Each text that is too pale: where its colour comes from, and how it is mended. */
async function pale(styles: string, markup: string, from?: string) {
  const files: Readonly<Record<string, string>> = {
    "Slip.jsx": slip(styles, markup, from),
    "tones.js": theme,
  };
  const { findings } = await auditFiles(files, "Slip.jsx", { checks: ["contrast"] });
  return findings.map(({ message, origins, repair }) => {
    const [first] = origins;
    const edits = (repair?.edits ?? []).map(
      ({ file, start, end, text }) => `${file} ${(files[file] ?? "").slice(start, end)} → ${text}`,
    );
    const [colours = message] = /#\w+ on #\w+/.exec(message) ?? [];
    return [colours, `line ${first?.source?.line}`, ...edits].join(", ");
  });
}

describe("a style that a script writes", () => {
  test.each<[what: string, styles: string, markup: string, expected: readonly string[]]>([
    [
      "as a template",
      "const Note = styled.p`\n  margin: 0; // none\n  color: #aaa;\n`;",
      "<Note>Slip 4</Note>",
      ["#aaaaaa on #ffffff, line 5, Slip.jsx #aaa → #767676"],
    ],
    [
      "with a colour of another file",
      "const Note = styled.p`\n  color: ${tones.pale};\n`;",
      "<Note>Slip 4</Note>",
      ["#aaaaaa on #ffffff, line 4, tones.js #aaaaaa → #767676"],
    ],
    [
      "for what is inside",
      "const Card = styled.section`\n  & > p { color: #aaa; }\n`;",
      "<Card><p>Slip 4</p></Card>",
      ["#aaaaaa on #ffffff, line 4, Slip.jsx #aaa → #767676"],
    ],
    [
      "by its props",
      'const Note = styled.p`color: ${({ $calm }) => ($calm ? "#abb" : "#333")};`;',
      "<><Note>Slip 3</Note><Note $calm>Slip 4</Note></>",
      ["#aabbbb on #ffffff, line 3, Slip.jsx #abb → #6a797a"],
    ],
    [
      "as an object",
      'const Note = styled("p")({ fontSize: 14, color: "#aaa" });',
      "<Note>Slip 4</Note>",
      ["#aaaaaa on #ffffff, line 3, Slip.jsx #aaa → #767676"],
    ],
    [
      "over one that has a style already",
      "const Dark = styled.p`color: #aaa;`;\nconst Note = styled(Dark)`color: #333;`;",
      "<Note>Slip 4</Note>",
      [],
    ],
    [
      "put together from others",
      "const small = css`\n  color: #aaa;\n`;\nconst Note = styled.p`\n  ${small}\n`;",
      "<Note>Slip 4</Note>",
      ["#aaaaaa on #ffffff, line 6, Slip.jsx #aaa → #767676"],
    ],
    [
      "is open where a theme decides",
      "const Note = styled.p`color: ${(p) => p.theme.pale};`;",
      "<Note>Slip 4</Note>",
      [],
    ],
    [
      "is open where another component is named",
      "const Note = styled.p`${Slip} & { color: #aaa; }`;",
      "<Note>Slip 4</Note>",
      [],
    ],
  ])("%s", async (_, styles, markup, expected) => {
    expect(await pale(styles, markup)).toEqual(expected);
  });

  test("may be a class", async () => {
    const markup = "<p className={css`\n  color: #aaa;\n`}>Slip 4</p>";
    expect(await pale("", markup, "@emotion/css")).toEqual([
      "#aaaaaa on #ffffff, line 5, Slip.jsx #aaa → #767676",
    ]);
  });
});
