import { Children, type ReactNode } from "react";

/** A sentence with caps, links or bold words in it, in the tongue spoken: jt`press ${<b>U</b>} to undo`. */
export function jt(strings: TemplateStringsArray, ...parts: ReactNode[]): ReactNode[] {
  const laid = globalThis.tastaturaTongue?.jt(strings, ...parts) ?? strings.flatMap((text, i) => [text, parts[i]]);
  return Children.toArray(laid as ReactNode[]);
}
