/** Runs one of the commands, bundled: `node scripts/command.mjs analyze FILE …`. Bundled anew only when a source has changed. */
import { pathToFileURL } from "node:url";
import { bundledCommands } from "./bundled-commands.mjs";

const [name] = process.argv.splice(2, 1);
const folder = await bundledCommands();
process.argv[1] = `${folder}/${name}.mjs`;
await import(pathToFileURL(process.argv[1]).href);
