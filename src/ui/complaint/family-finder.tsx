"use client";
import { t } from "@/core/words/words";
import { jt } from "../keys/words";
import { useState } from "react";
import { familyWords, type Family } from "@/core/circuit/setup";
import { coilOhms, terminalVolts, threeWireRoles, type TypedWire } from "@/core/family/clue-text";
import { findFamily, type FamilyClues } from "@/core/family/finder";
import { formatShare } from "@/core/units/format";
import { Cap } from "../keys/cap";

/** Which kind of sensor is it? A few clues in the order they are had. */
export function FamilyFinder({ onFound }: { onFound: (family: Family) => void }) {
  const [clues, setClues] = useState<FamilyClues>({});
  const [volts, setVolts] = useState("");
  const [ohms, setOhms] = useState("");
  const terminals = terminalVolts(volts);
  const coil = coilOhms(ohms);
  const [wires, setWires] = useState<TypedWire[]>(
    [t`wire 1`, t`wire 2`, t`wire 3`].map((name) => ({ name, volts: "", switches: false })),
  );
  const [ownGround, setOwnGround] = useState("");
  const roles = threeWireRoles(wires, ownGround);
  const verdict = findFamily({
    ...clues,
    ...(terminals.length >= 2 ? { openVolts: terminals } : {}),
    ...(coil !== null ? { ohms: coil } : {}),
  });
  const set = (parts: FamilyClues) => setClues({ ...clues, ...parts });
  return (
    <details className="rounded-xl border border-rule p-3">
      <summary className="min-h-8 cursor-pointer font-medium">{t`Not known which? Find the family`}</summary>
      <p className="pt-1 text-sm text-muted">{t`Service information for the car wins. Without it:`}</p>
      <Row label={t`wires at the sensor`}>
        {([2, 3, 4] as const).map((wires) => (
          <Cap key={wires} aria-pressed={clues.wires === wires} onClick={() => set({ wires })}>
            {wires}
          </Cap>
        ))}
      </Row>
      <Row label={t`unplugged, key on: volts at each terminal`}>
        <input
          value={volts}
          placeholder="11.4 0.0"
          aria-label={t`Volts at each terminal, with spaces between`}
          className="min-h-12 w-44 rounded-lg border border-rule bg-paper px-3 font-mono text-lg"
          onChange={(event) => setVolts(event.target.value)}
        />
      </Row>
      {clues.wires === 3 && (
        <div className="mt-2 rounded-xl border border-rule p-3">
          <p className="text-sm text-muted">{t`Which wire is which? Everything plugged in, key on, back-probe each wire to battery −, then creep the wheel.`}</p>
          {wires.map((wire, i) => {
            const change = (parts: Partial<TypedWire>) =>
              setWires(wires.map((one, at) => (at === i ? { ...one, ...parts } : one)));
            return (
              <div key={i} className="flex flex-wrap items-center gap-2 pt-2">
                <input
                  value={wire.name}
                  aria-label={t`Colour of wire ${i + 1}`}
                  className="min-h-12 w-28 rounded-lg border border-rule bg-paper px-3"
                  onChange={(event) => change({ name: event.target.value })}
                />
                <input
                  value={wire.volts}
                  inputMode="decimal"
                  placeholder={["5.03", "0.01", "2.4"][i]}
                  aria-label={t`Volts on wire ${i + 1} to battery negative`}
                  className="min-h-12 w-28 rounded-lg border border-rule bg-paper px-3 font-mono text-lg"
                  onChange={(event) => change({ volts: event.target.value })}
                />
                <Cap
                  aria-pressed={wire.switches}
                  onClick={() => change({ switches: !wire.switches })}
                >{t`switches as the wheel creeps`}</Cap>
              </div>
            );
          })}
          <label className="flex flex-wrap items-center gap-2 pt-2 text-sm text-muted">{jt`supply against the sensor's own ground wire${(
            <input
              value={ownGround}
              inputMode="decimal"
              placeholder="5.03"
              className="min-h-12 w-28 rounded-lg border border-rule bg-paper px-3 font-mono text-lg text-ink"
              onChange={(event) => setOwnGround(event.target.value)}
            />
          )}`}</label>
          <p className="pt-2 font-medium" aria-live="polite">
            {roles}
          </p>
        </div>
      )}
      <Row label={t`the ring`}>
        <Cap aria-pressed={clues.ring === "toothed"} onClick={() => set({ ring: "toothed" })}>{t`steel teeth`}</Cap>
        <Cap aria-pressed={clues.ring === "smooth"} onClick={() => set({ ring: "smooth" })}>{t`smooth`}</Cap>
        <Cap
          aria-pressed={clues.ring === "smooth-pulls-pin"}
          onClick={() => set({ ring: "smooth-pulls-pin" })}
        >{t`smooth, pulls a pin`}</Cap>
      </Row>
      <Row label={t`steel pin at the sensor's tip`}>
        <Cap aria-pressed={clues.tip === "pulls-pin"} onClick={() => set({ tip: "pulls-pin" })}>{t`pulled`}</Cap>
        <Cap aria-pressed={clues.tip === "no-pull"} onClick={() => set({ tip: "no-pull" })}>{t`not pulled`}</Cap>
      </Row>
      <Row label={t`across the sensor's own pins, Ω`}>
        <input
          value={ohms}
          placeholder={t`1100 or OL`}
          aria-label={t`Ohms across the sensor's own pins`}
          className="min-h-12 w-44 rounded-lg border border-rule bg-paper px-3 font-mono text-lg"
          onChange={(event) => setOhms(event.target.value)}
        />
      </Row>
      <div className="mt-3 flex flex-wrap items-center gap-3 rounded-xl bg-paper p-3" aria-live="polite">
        <p className="min-w-60 flex-1">
          <b>{verdict.say}</b>{" "}
          <span className="text-muted">
            {verdict.ranked.map(({ family, share }) => `${familyWords[family]} ${formatShare(share)}`).join(" · ")}
          </span>
          {verdict.next && <span className="block text-sm">{t`Next: ${verdict.next}`}</span>}
        </p>
        <Cap
          lead
          onClick={() => onFound(verdict.ranked[0]!.family)}
        >{t`take ${familyWords[verdict.ranked[0]!.family]}`}</Cap>
      </div>
      {verdict.reasons.length > 0 && (
        <ul className="pt-2 text-sm text-muted">
          {verdict.reasons.map((reason) => (
            <li key={reason}>{reason}</li>
          ))}
        </ul>
      )}
    </details>
  );
}

function Row({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <fieldset className="flex flex-wrap items-center gap-2 pt-2">
      <legend className="text-sm text-muted">{label}</legend>
      {children}
    </fieldset>
  );
}
