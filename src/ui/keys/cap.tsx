import clsx from "clsx";
import type { ButtonHTMLAttributes, ReactNode } from "react";

interface CapProps extends ButtonHTMLAttributes<HTMLButtonElement> {
  /** The key that does the same. */
  legend?: string;
  lead?: boolean;
  children: ReactNode;
}

/** Something that can be acted on: a keycap with its key at the top left. */
export function Cap({ legend, lead = false, className, children, ...rest }: CapProps) {
  return (
    <button type="button" className={clsx("cap", lead && "lead", className)} {...rest}>
      <span className="legend" aria-hidden="true">
        {legend}
      </span>
      <span className="w-full text-right font-medium">{children}</span>
    </button>
  );
}
