/** Types of words.mjs, for the tests. */
export interface Sentence {
  files: string[];
  plural?: string;
}
export function sentences(): Map<string, Sentence>;
export function catalogue(file: string): Map<string, string[]>;
export function languages(): string[];
export function poFile(tag: string): string;
export function buildWords(): void;
