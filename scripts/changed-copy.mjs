import { cpSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { spawn } from "node:child_process";
import { root } from "./run.mjs";

const COPIED = ["src", "bench", "scripts", "package.json", "tsconfig.json", "vitest.config.ts"];

/** A copy of the code in which single lines can be changed, tried and put back; the tree itself is never touched. */
export class ChangedCopy {
  constructor() {
    this.folder = mkdtempSync(join(tmpdir(), "changed-"));
    for (const name of COPIED) cpSync(join(root, name), join(this.folder, name), { recursive: true });
    symlinkSync(join(root, "node_modules"), join(this.folder, "node_modules"));
  }

  /** Runs a command with one file changed. @returns its exit code and what it printed */
  async tryWith(file, change, command, args) {
    const path = join(this.folder, file);
    const before = readFileSync(path, "utf8");
    const after = change(before);
    if (after === before) throw new Error(`${file}: nothing was changed`);
    writeFileSync(path, after);
    try {
      return await this.run(command, args);
    } finally {
      writeFileSync(path, before);
    }
  }

  /** Runs a command as the copy stands. */
  run(command, args) {
    return new Promise((resolve) => {
      const child = spawn(command, args, { cwd: this.folder, stdio: ["ignore", "pipe", "ignore"] });
      let text = "";
      child.stdout.on("data", (chunk) => (text += String(chunk)));
      child.on("close", (code) => resolve({ code, text }));
    });
  }

  remove() {
    rmSync(this.folder, { recursive: true, force: true });
  }
}
