"use client";
import clsx from "clsx";
import { useId, useState, type KeyboardEvent, type SyntheticEvent } from "react";
import { termsIn } from "@/core/explain/terms-in";
import { useUnits } from "../settings/use-units";

/** A sentence whose words of the trade say what they mean when pointed at, touched or focused. */
export function WithTerms({ children }: { children: string }) {
  return (
    <>
      {termsIn(children).map(({ text, says }, i) =>
        says === undefined ? text : <Term key={`${i} ${text}`} text={text} says={says} />,
      )}
    </>
  );
}

function Term({ text, says }: { text: string; says: string }) {
  const id = useId();
  const say = useUnits();
  const [side, setSide] = useState<"left" | "right" | null>(null);
  const show = ({ currentTarget }: SyntheticEvent<HTMLElement>) => {
    const { left, width } = currentTarget.getBoundingClientRect();
    setSide(left + width / 2 < window.innerWidth / 2 ? "left" : "right");
  };
  const hide = () => setSide(null);
  return (
    <span className="relative">
      <button
        type="button"
        aria-describedby={side ? id : undefined}
        className="cursor-help font-[inherit] underline decoration-muted decoration-dotted decoration-from-font underline-offset-4"
        onClick={show}
        onFocus={show}
        onBlur={hide}
        onPointerEnter={show}
        onPointerLeave={hide}
        onKeyDown={(event: KeyboardEvent) => {
          if (event.key === "Escape") hide();
        }}
      >
        {text}
      </button>
      {side && (
        <span
          role="tooltip"
          id={id}
          className={clsx(
            "absolute top-full z-20 w-64 max-w-[80vw] rounded-lg border border-ink bg-card p-2 text-left text-sm leading-snug font-normal text-ink",
            side === "left" ? "left-0" : "right-0",
          )}
        >
          {say(says)}
        </span>
      )}
    </span>
  );
}
