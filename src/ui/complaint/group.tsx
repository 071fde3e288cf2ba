/** Caps that belong together, under their name. */
export function Group({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <fieldset className="flex flex-wrap gap-2">
      <legend className="mb-1 text-sm text-muted">{label}</legend>
      {children}
    </fieldset>
  );
}
