/** One quantity under the thumb, with what it stands at in words. */
export function Slider({
  label,
  shown,
  onChange,
  ...range
}: {
  label: string;
  shown: string;
  value: number;
  min: number;
  max: number;
  step: number;
  onChange: (value: number) => void;
}) {
  return (
    <label className="grid content-between text-sm text-muted">
      <span className="flex justify-between gap-2">
        {label} <b className="font-mono whitespace-nowrap text-ink">{shown}</b>
      </span>
      <input type="range" className="min-h-10" {...range} onChange={(event) => onChange(Number(event.target.value))} />
    </label>
  );
}
