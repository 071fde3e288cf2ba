import hyperlegible from "@fontsource/atkinson-hyperlegible-next/unicode.json";
import noto from "@fontsource/noto-sans/unicode.json";
import { join } from "node:path";

export type Weight = "text" | "bold";

interface Face {
  name: string;
  family: "atkinson-hyperlegible-next" | "noto-sans";
  subset: string;
  /** Code points, from and to. */
  ranges: [number, number][];
}

/** What each part of a text is set in: our own face as far as it goes, another for scripts it has not. */
const FACES: readonly Face[] = [
  ...["latin", "latin-ext"].map((subset) => face("atkinson-hyperlegible-next", subset, hyperlegible)),
  ...["greek", "cyrillic", "greek-ext", "cyrillic-ext", "vietnamese"].map((subset) => face("noto-sans", subset, noto)),
];

/** Makes the faces known to a document, each under its name and weight. */
export function registerFaces(page: PDFKit.PDFDocument): void {
  for (const { name, family, subset } of FACES)
    for (const [weight, figure] of [
      ["text", 400],
      ["bold", 700],
    ] as const) {
      const file = `node_modules/@fontsource/${family}/files/${family}-${subset}-${figure}-normal.woff`;
      page.registerFont(`${weight} ${name}`, join(process.cwd(), file));
    }
}

/** Writes a text, each stretch of it in the face that has its letters. */
export function write(
  page: PDFKit.PDFDocument,
  weight: Weight,
  text: string,
  at: { x?: number; y?: number; width?: number } = {},
): void {
  const { x = page.x, y = page.y, ...options } = at;
  const [first, ...rest] = runsOf(plain(text));
  page.font(`${weight} ${first?.face ?? FACES[0]!.name}`);
  page.text(first?.text ?? "", x, y, { ...options, continued: rest.length > 0 });
  rest.forEach((run, i) =>
    page.font(`${weight} ${run.face}`).text(run.text, { ...options, continued: i < rest.length - 1 }),
  );
}

/** Stretches of a text by the face they are set in; blanks stay with what goes before. */
function runsOf(text: string): { face: string; text: string }[] {
  const runs: { face: string; text: string }[] = [];
  for (const letter of text) {
    const last = runs.at(-1);
    const face = last && NEUTRAL.test(letter) ? last.face : faceOf(letter).name;
    if (last?.face === face) last.text += letter;
    else runs.push({ face, text: letter });
  }
  return runs;
}

/** The one sign every subset holds. */
const NEUTRAL = / /;

function faceOf(letter: string): Face {
  return FACES.find((one) => has(one, letter)) ?? FACES[0]!;
}

function has({ ranges }: Face, letter: string): boolean {
  const code = letter.codePointAt(0)!;
  return ranges.some(([from, to]) => code >= from && code <= to);
}

/** Signs no face has are said in words, letters of other scripts as a question mark. */
function plain(text: string): string {
  const said = text
    .normalize("NFC")
    .replaceAll("\u2126", "Ω")
    .replaceAll("−", "-")
    .replaceAll("→", "to")
    .replaceAll("▸", ">")
    .replaceAll("◂", "<");
  return [...said].map((letter) => (FACES.some((one) => has(one, letter)) ? letter : "?")).join("");
}

function face(family: Face["family"], subset: string, unicode: Record<string, string>): Face {
  const ranges = unicode[subset]!.split(",").map((range): [number, number] => {
    const [from, to] = range.replace("U+", "").split("-");
    return [parseInt(from!, 16), parseInt(to ?? from!, 16)];
  });
  return { name: `${family} ${subset}`, family, subset, ranges };
}
