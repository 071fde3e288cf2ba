import clsx from "clsx";
import type { InputHTMLAttributes } from "react";
import { useDraft } from "./use-draft";

interface DraftInputProps extends Omit<InputHTMLAttributes<HTMLInputElement>, "value" | "defaultValue" | "onChange"> {
  /** The field's name among all fields of the shop. */
  field: string;
  /** What is stored. */
  value: string;
  /** Takes what was typed, when the field is left or Enter is struck. */
  onTake: (text: string) => void;
}

/** A field whose text is taken when it is left; until then it is kept as a draft and edged as not yet taken. */
export function DraftInput({ field, value, onTake, className, ...rest }: DraftInputProps) {
  const { draft, type, drop } = useDraft(field);
  return (
    <input
      {...rest}
      value={draft ?? value}
      className={clsx(className, draft !== null && draft !== value && "border-dashed! border-marigold!")}
      onChange={(event) => type(event.target.value)}
      onKeyDown={(event) => event.key === "Enter" && event.currentTarget.blur()}
      onBlur={() => {
        if (draft === null) return;
        drop();
        if (draft.trim() !== value) onTake(draft.trim());
      }}
    />
  );
}
