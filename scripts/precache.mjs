import { readdirSync, readFileSync, writeFileSync, existsSync } from "node:fs";
import { join } from "node:path";
import { root } from "./run.mjs";

/** Lists what the service worker keeps: every static file of this build, the fonts among them, and each screen. */
export function writePrecache() {
  const build = readFileSync(join(root, ".next/BUILD_ID"), "utf8").trim();
  const files = walk(join(root, ".next/static")).map((file) => `/_next/static/${file}`);
  const demo = ["demo", "shipped", "words"].flatMap((folder) =>
    existsSync(join(root, "public", folder))
      ? walk(join(root, "public", folder)).map((file) => `/${folder}/${file}`)
      : [],
  );
  const pages = walk(join(root, "src/app"))
    .filter((file) => file.endsWith("page.tsx"))
    .map((file) => `/${file.replace(/\/?page\.tsx$/, "")}`);
  writeFileSync(
    join(root, "public/precache.json"),
    JSON.stringify({
      build,
      files: [...files, ...demo, "/icon.svg", "/look.js", "/early-keys.js", "/sound-tap.js", "/manifest.webmanifest"],
      pages,
    }),
  );
  console.log(`precache: ${files.length + demo.length} files, ${pages.length} screens`);
}

function walk(folder, below = "") {
  return readdirSync(join(folder, below), { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? walk(folder, join(below, entry.name)) : [join(below, entry.name)],
  );
}
