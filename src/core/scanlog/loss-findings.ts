import { msgid, ngettext, t } from "../words/words";
import { cornerWords, type Corner } from "../units/corner";
import { capital } from "../units/format";
import type { Losses, Run } from "./losses";
import type { ScanFinding } from "./scan-log";

/** What a wheel's losses are called, the weak signal first. @param isHeld the wheel stood while its partner turned, which is no loss */
export function lossFindings(
  corner: Corner,
  timeS: Float64Array,
  reference: Float64Array,
  { weak, slips, cuts, long }: Losses,
  isHeld: boolean,
): ScanFinding[] {
  const name = cornerWords[corner];
  const found = (code: ScanFinding["code"], [from, to]: Run, size: number, say: string): ScanFinding => ({
    ...{ code, corner, startS: timeS[from]!, endS: timeS[to]!, size, say },
  });
  const at = (row: number) => timeS[row]!.toFixed(1);
  const findings: ScanFinding[] = [];
  if (weak?.when === "slowing")
    findings.push(
      found(
        "cuts-low",
        weak.at,
        weak.kmh,
        t`${capital(name)} falls to zero at about ${weak.kmh.toFixed(1)} km/h while slowing (${weak.stops} of ${weak.stopsInAll} stops): too weak a signal at low speed. Gap, ring or a weak coil before wiring.`,
      ),
      found(
        "false-activation",
        weak.at,
        weak.kmh,
        t`The module sees ${weak.kmh.toFixed(0)} → 0 km/h in no time at ${name} and takes it for a locking wheel: it releases that brake on a dry stop.`,
      ),
    );
  if (weak?.when === "pulling-away")
    findings.push(
      found(
        "cuts-low",
        weak.at,
        weak.kmh,
        t`${capital(name)} comes up only at about ${weak.kmh.toFixed(0)} km/h when pulling away: too weak a signal at low speed. Gap, ring or a weak coil before wiring.`,
      ),
    );
  for (const slip of slips)
    findings.push(
      found(
        "slip",
        slip,
        reference[slip[0]]!,
        t`${capital(name)} slips at ${at(slip[0])} s under hard braking and comes back smoothly: a real event, no fault.`,
      ),
    );
  if (cuts.length > 0)
    findings.push(
      found(
        "drops-out",
        cuts[0]!,
        cuts.length,
        t`${capital(name)} drops out ${cuts.length === 1 ? t`once` : ngettext(msgid`${cuts.length} time`, `${cuts.length} times`, cuts.length)}: ${cuts
          .slice(0, 4)
          .map(([from]) => t`${at(from)} s at ${Math.round(reference[from]!)} km/h`)
          .join(", ")}${cuts.length > 4 ? " …" : ""}. Losses with no pattern in speed point at a connection.`,
      ),
    );
  if (long && !isHeld)
    findings.push(found("zero", long, 0, t`${capital(name)} is lost from ${at(long[0])} s to ${at(long[1])} s.`));
  return findings;
}
