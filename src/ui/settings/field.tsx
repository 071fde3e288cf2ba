import { DraftInput } from "../keys/draft-input";

/** One labelled figure of the settings, taken when it is left. */
export function Field({ label, value, onSet }: { label: string; value: string; onSet: (text: string) => void }) {
  return (
    <label className="text-sm text-muted">
      {label}
      <DraftInput
        field={`settings/${label}`}
        value={value}
        className="min-h-12 w-full rounded-lg border border-rule bg-paper px-2 text-right font-mono text-lg text-ink"
        onTake={onSet}
      />
    </label>
  );
}
