/** Something the palette finds: what it says and where it leads. */
export interface Command {
  id: string;
  say: string;
  path: string;
}
