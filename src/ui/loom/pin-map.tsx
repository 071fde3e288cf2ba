import { conductorsOf, stationsOf } from "@/core/circuit/setup";
import { countTerminal } from "@/core/checks/count-terminal";
import { withStation } from "@/core/harness/edit-path";
import { decimal } from "@/core/units/decimal";
import { conductorWord } from "@/core/faults/wire-faults";
import type { Job } from "@/core/job/schema";
import { changeSetup } from "../jobs/change-setup";
import type { ChangeJob } from "../jobs/use-job";

/** Which terminal and colour each conductor has at each connector, and where that terminal sits on the face. */
export function PinMap({ job, change }: { job: Job; change: ChangeJob }) {
  const stations = stationsOf(job.setup);
  const conductors = conductorsOf[job.setup.family];
  const set = (at: number, parts: Parameters<typeof withStation>[2]) =>
    changeSetup(change, (setup) => ({ path: withStation(setup, at, parts) }));
  return (
    <section className="overflow-x-auto rounded-2xl border border-rule bg-card p-4" aria-label="Pin map">
      <h2 className="border-b border-rule pb-1 text-sm font-semibold text-muted">Pin map: terminal and colour</h2>
      <table className="w-full text-sm">
        <thead>
          <tr className="text-left text-muted">
            <th />
            {stations.map(({ station }) => (
              <th key={station} className="px-1 py-1 font-normal">
                {station === "module" || station === "plug" ? station : station.toUpperCase()}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {conductors.map((conductor) => (
            <tr key={conductor} className="border-t border-rule">
              <th className="pr-2 text-left font-semibold">{conductorWord(conductor)}</th>
              {stations.map(({ station, pins }, at) => {
                const own = pins?.[conductor] ?? { pin: "", colour: "" };
                const write = (parts: Partial<typeof own>) =>
                  set(at, { pins: { ...pins, [conductor]: { ...own, ...parts } } });
                return (
                  <td key={station} className="px-1 py-1">
                    <span className="flex gap-1">
                      <input
                        aria-label={`${conductor} terminal at ${station}`}
                        placeholder="pin"
                        defaultValue={own.pin}
                        maxLength={12}
                        className="min-h-11 w-12 rounded-lg border border-rule bg-paper px-1 text-center font-mono"
                        onBlur={(event) => event.target.value !== own.pin && write({ pin: event.target.value.trim() })}
                      />
                      <input
                        aria-label={`${conductor} colour at ${station}`}
                        placeholder="colour"
                        defaultValue={own.colour}
                        maxLength={24}
                        className="min-h-11 w-24 rounded-lg border border-rule bg-paper px-2"
                        onBlur={(event) =>
                          event.target.value !== own.colour && write({ colour: event.target.value.trim() })
                        }
                      />
                    </span>
                  </td>
                );
              })}
            </tr>
          ))}
          <tr className="border-t border-rule">
            <th className="pr-2 text-left font-normal text-muted">face</th>
            {stations.map(({ station, face }, at) => (
              <td key={station} className="px-1 py-1">
                <span className="flex items-center gap-1 text-muted">
                  <FaceNumber
                    label={`rows of ${station}`}
                    value={face?.rows}
                    onChange={(rows) => set(at, { face: { rows, columns: face?.columns ?? 2 } })}
                  />
                  ×
                  <FaceNumber
                    label={`columns of ${station}`}
                    value={face?.columns}
                    onChange={(columns) => set(at, { face: { rows: face?.rows ?? 1, columns } })}
                  />
                </span>
              </td>
            ))}
          </tr>
        </tbody>
      </table>
      <div className="flex flex-wrap gap-4 pt-2">
        {stations.map(({ station, face, pins }) => {
          if (!face || !pins) return null;
          const wanted = conductors.flatMap((conductor) => {
            const at = countTerminal(face, pins[conductor]?.pin ?? "");
            return at ? [{ conductor, ...at }] : [];
          });
          return (
            <figure key={station}>
              <svg
                width={face.columns * 16 + 8}
                height={face.rows * 16 + 8}
                role="img"
                aria-label={`face of ${station}`}
              >
                {Array.from({ length: face.rows * face.columns }, (_, i) => {
                  const [row, column] = [Math.floor(i / face.columns), i % face.columns];
                  const hit = wanted.find((one) => one.row === row && one.column === column);
                  return (
                    <rect
                      key={i}
                      x={4 + column * 16}
                      y={4 + row * 16}
                      width="12"
                      height="12"
                      rx="3"
                      fill={hit ? "var(--marigold)" : "var(--paper)"}
                      stroke="var(--ink)"
                    />
                  );
                })}
              </svg>
              <figcaption className="max-w-52 text-sm text-muted">
                {station}, from the wire side:{" "}
                {wanted.map(({ conductor, say }) => `${conductorWord(conductor)} ${say}`).join("; ") ||
                  "no numbered pins yet"}
              </figcaption>
            </figure>
          );
        })}
      </div>
    </section>
  );
}

function FaceNumber({
  label,
  value,
  onChange,
}: {
  label: string;
  value: number | undefined;
  onChange: (value: number) => void;
}) {
  return (
    <input
      aria-label={label}
      defaultValue={value ?? ""}
      inputMode="numeric"
      className="min-h-11 w-11 rounded-lg border border-rule bg-paper text-center font-mono text-ink"
      onBlur={(event) => {
        const number = decimal(event.target.value);
        if (!Number.isNaN(number) && number !== value) onChange(number);
      }}
    />
  );
}
