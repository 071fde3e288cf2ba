import { t } from "@/core/words/words";
import clsx from "clsx";
import { useId, useState, type InputHTMLAttributes } from "react";
import { useDraft } from "./use-draft";

export interface DraftInputProps extends Omit<
  InputHTMLAttributes<HTMLInputElement>,
  "value" | "defaultValue" | "onChange"
> {
  /** The field's name among all fields of the shop. */
  field: string;
  /** What is stored. */
  value: string;
  /** Why a text cannot be taken; null where it can. */
  check?: (text: string) => string | null;
  /** Takes what was typed, when the field is left or Enter is struck. */
  onTake: (text: string) => void;
}

/**
 * A field whose text is taken when it is left; until then it is kept as a draft and edged as not yet taken. What cannot be
 * taken stays in the field, with what is wanted under it, and outlives the tab.
 */
export function DraftInput({ field, value, check, onTake, className, ...rest }: DraftInputProps) {
  const { draft, type, drop } = useDraft(field);
  const [left, setLeft] = useState(true);
  const problem = draft !== null && draft.trim() !== value ? (check?.(draft.trim()) ?? null) : null;
  const said = useId();
  return (
    <>
      <input
        {...rest}
        value={draft ?? value}
        aria-invalid={problem !== null}
        aria-describedby={problem && left ? said : undefined}
        className={clsx(className, draft !== null && draft !== value && "border-dashed! border-marigold!")}
        onChange={(event) => type(event.target.value)}
        onKeyDown={(event) => event.key === "Enter" && event.currentTarget.blur()}
        onFocus={() => setLeft(false)}
        onBlur={() => {
          setLeft(true);
          if (draft === null || problem) return;
          drop();
          if (draft.trim() !== value) onTake(draft.trim());
        }}
      />
      {problem && left && (
        <span id={said} role="alert" className="text-sm text-brick">{t`${problem} Not used until then.`}</span>
      )}
    </>
  );
}
