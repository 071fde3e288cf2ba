/**
 * The words of the program. `extract` writes every English sentence found in the code to src/words/tastatura.pot and
 * brings each src/words/*.po in step: new ones empty, those no longer there gone. `build` makes of each what page and
 * workers load. Extraction is written here: the package's own tool finds none of the sentences, since it knows only those
 * whose `t` is imported from the package (tried: 0 of 1,832), and this one must be looked up when shown (core/words).
 * usage: node scripts/words.mjs extract|build
 */
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { po } from "gettext-parser";
import ts from "typescript";

const root = fileURLToPath(new URL("..", import.meta.url));
const WORDS = join(root, "src/words");

/** Every sentence in the code, with the files it stands in. @returns {Map<string, { files: string[], plural?: string }>} */
export function sentences() {
  const found = new Map();
  for (const file of walk(join(root, "src")).filter((one) => /\.tsx?$/.test(one) && !/\.test\.|\.d\.ts$/.test(one))) {
    const source = ts.createSourceFile(file, readFileSync(file, "utf8"), ts.ScriptTarget.Latest, true, kindOf(file));
    const visit = (node) => {
      const sentence = sentenceOf(node);
      if (sentence && isWords(sentence.id)) {
        const known = found.get(sentence.id) ?? { files: [] };
        const name = file.slice(root.length);
        if (!known.files.includes(name)) known.files.push(name);
        found.set(sentence.id, { ...known, ...(sentence.plural ? { plural: sentence.plural } : {}) });
      }
      ts.forEachChild(node, visit);
    };
    visit(source);
  }
  return new Map([...found].sort(([, a], [, b]) => (a.files[0] < b.files[0] ? -1 : a.files[0] > b.files[0] ? 1 : 0)));
}

/** The catalogue of one language. @returns {Map<string, string[]>} */
export function catalogue(file) {
  const { translations } = po.parse(readFileSync(file));
  return new Map(Object.values(translations[""] ?? {}).map(({ msgid, msgstr }) => [msgid, msgstr]));
}

/** The languages there are a catalogue of. */
export function languages() {
  return readdirSync(WORDS).flatMap((file) => (file.endsWith(".po") ? [file.slice(0, -3)] : []));
}

export const poFile = (tag) => join(WORDS, `${tag}.po`);

function extract() {
  const translations = { "": {} };
  for (const [msgid, { files, plural }] of sentences())
    translations[""][msgid] = {
      msgid,
      ...(plural ? { msgid_plural: plural } : {}),
      msgstr: plural ? ["", ""] : [""],
      comments: { reference: files.join("\n") },
    };
  const headers = { "content-type": "text/plain; charset=utf-8" };
  write(join(WORDS, "tastatura.pot"), { charset: "utf-8", headers, translations });
  console.log(`${Object.keys(translations[""]).length} sentences`);
  for (const tag of languages()) bringInStep(tag, translations[""]);
}

function bringInStep(tag, wanted) {
  const own = po.parse(readFileSync(poFile(tag)));
  const kept = own.translations[""];
  const entries = Object.values(wanted).map(({ msgid, msgid_plural, msgstr }) => [
    msgid,
    { msgid, ...(msgid_plural ? { msgid_plural } : {}), msgstr: kept[msgid]?.msgstr ?? msgstr },
  ]);
  write(poFile(tag), { ...own, translations: { "": { "": kept[""], ...Object.fromEntries(entries) } } });
  const empty = entries.filter(([, { msgstr }]) => !msgstr.every(Boolean));
  console.log(`${tag}: ${empty.length} to translate`);
}

function write(file, table) {
  writeFileSync(file, po.compile(table, { foldLength: 0 }));
}

/** Writes public/words: each catalogue as pages and workers load it. */
export function buildWords() {
  mkdirSync(join(root, "public/words"), { recursive: true });
  for (const tag of languages()) {
    const data = JSON.stringify({
      tag,
      headers: { "plural-forms": "nplurals=2; plural=(n!=1);" },
      contexts: { "": Object.fromEntries([...catalogue(poFile(tag))].filter(([id, [text]]) => id && text)) },
    });
    writeFileSync(join(root, `public/words/${tag}.json`), data);
  }
  console.log(`words: ${languages().join(", ")}`);
}

function sentenceOf(node) {
  if (ts.isCallExpression(node)) {
    const called = node.expression.getText();
    const [first, second] = node.arguments;
    if ((called === "gettext" || called === "marked") && first && ts.isStringLiteral(first)) return { id: first.text };
    if (called === "ngettext" && ts.isTaggedTemplateExpression(first))
      return { id: idOf(first.template), plural: ts.isStringLiteral(second) ? second.text : idOf(second) };
  }
  if (ts.isTaggedTemplateExpression(node) && /^j?t$/.test(node.tag.getText())) return { id: idOf(node.template) };
  return null;
}

/** The text with `${ 0 }`, `${ 1 }` … for its values, as the translator looks it up. */
function idOf(template) {
  if (ts.isNoSubstitutionTemplateLiteral(template)) return template.text;
  return template.head.text + template.templateSpans.map(({ literal }, i) => `\${ ${i} }${literal.text}`).join("");
}

const UNITS = /\b(V|mV|RMS|A|mA|Hz|kHz|kS|km|mm|m|s|ms|min|MB|kB|N·m|lb·ft|in)\b/g;

/** Whether anything is left to translate once values and units are taken out. */
function isWords(id) {
  return /\p{L}{2,}/u.test(id.replace(/\$\{ \d+ \}/g, " ").replace(UNITS, " "));
}

function kindOf(file) {
  return file.endsWith("x") ? ts.ScriptKind.TSX : ts.ScriptKind.TS;
}

function walk(folder) {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? walk(join(folder, entry.name)) : [join(folder, entry.name)],
  );
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const [, , what] = process.argv;
  if (what === "extract") extract();
  else if (what === "build") buildWords();
  else throw new Error("usage: node scripts/words.mjs extract|build");
}
