import { answers, build, install, serve } from "./run.mjs";

const port = Number(process.env.PORT ?? 3000);
await install();
await build();
const server = serve(port);
server.on("exit", (code) => process.exit(code ?? 1));
for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => server.kill());
const address = `http://localhost:${port}`;
if (await answers(address)) console.log(`\nTastatura with the demo workshop: ${address}`);
else {
  console.error(`The app did not answer at ${address}. Is the port taken? Set PORT to another.`);
  server.kill();
}
