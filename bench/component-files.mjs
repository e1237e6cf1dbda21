// A made-up project of component files: every tenth is a page that uses the nine after it.
import { mkdirSync, writeFileSync } from "node:fs";
import path from "node:path";

const card = (name) => `import { useState, type ReactNode } from "react";

interface Props {
  title: string;
  tone?: "calm" | "rough";
  children: ReactNode;
  onPick: () => void;
}

const words = { calm: "Calm water", rough: "Rough water" } as const;

export function ${name}({ title, tone = "calm", children, onPick }: Props) {
  const [open, setOpen] = useState(false);
  const [note, setNote] = useState("");
  const classes = ["card", tone === "rough" && "card-rough", open && "card-open"].filter(Boolean).join(" ");
  return (
    <section className={classes} aria-label={title}>
      <h3>{title}</h3>
      <p className="tone">{words[tone]}</p>
      {children}
      <button type="button" aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? "Hide" : "Show"} details
      </button>
      {open && (
        <ul>
          {["Length", "Beam", "Draught"].map((word) => (
            <li key={word}>
              <span className="word">{word}</span>
              <b>{word.length} m</b>
            </li>
          ))}
        </ul>
      )}
      <label>
        Note for ${name}
        <input value={note} onChange={(event) => setNote(event.target.value)} />
      </label>
      <button type="button" onClick={onPick}>Book {title}</button>
    </section>
  );
}
`;

const page = (name, cards) => `${cards.map((one) => `import { ${one} } from "./${one}";`).join("\n")}

export default function ${name}() {
  const pick = (slip: number) => console.log(slip);
  return (
    <main>
      <h1>Slips of ${name}</h1>
      <h2>Today</h2>
${cards
  .map(
    (
      one,
      i,
    ) => `      <${one} title="Slip ${i}" tone={${i % 2 === 0 ? '"calm"' : '"rough"'}} onPick={() => pick(${i})}>
        <p>Free until noon</p>
      </${one}>`,
  )
  .join("\n")}
    </main>
  );
}
`;

/** Writes a project of so many files below a folder; the paths of its files. */
export function componentProject(folder, files) {
  const source = path.join(folder, "src");
  mkdirSync(source, { recursive: true });
  mkdirSync(path.join(folder, "node_modules"), { recursive: true });
  const written = [];
  const write = (name, text) => {
    const file = path.join(source, `${name}.tsx`);
    writeFileSync(file, text);
    written.push(file);
  };
  for (let group = 0; group < files / 10; group++) {
    const cards = Array.from({ length: 9 }, (_, i) => `Card${group}x${i}`);
    for (const name of cards) write(name, card(name));
    write(`Page${group}`, page(`Page${group}`, cards));
  }
  return written;
}
