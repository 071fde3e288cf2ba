import { speak, type Catalogue } from "../words/tongue";

/**
 * A worker speaks what its page speaks; the page names it so. It must do so before any other module is loaded, and so
 * waits for the catalogue: this is imported first.
 */
const { name } = globalThis as unknown as { name: string };
if (name && name !== "en") {
  const request = new XMLHttpRequest();
  request.open("GET", `/words/${name}.json`, false);
  request.send();
  if (request.status === 200) speak(JSON.parse(request.responseText) as Catalogue);
}
