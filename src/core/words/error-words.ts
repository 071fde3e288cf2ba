/** What an error says of itself, without the name of its class; of one that says nothing, its name. */
export function errorWords(error: unknown): string {
  return error instanceof Error ? error.message || error.name : String(error);
}
