"use client";
import { t } from "@/core/words/words";
import {
  families,
  familyWords,
  legBiases,
  legBiasWord,
  ofFamily,
  protocols,
  protocolWords,
  pullUpsV,
  senses,
  senseWord,
  threeWireSuppliesV,
  type CornerSetup,
} from "@/core/circuit/setup";
import { Cap } from "../keys/cap";
import { Group } from "./group";

interface Props {
  setup: CornerSetup;
  /** Readings were taken already: another family reads them anew. */
  measured: boolean;
  onChange: (parts: Partial<CornerSetup>) => void;
}

/** The sensor's family and what is known of its circuit; what nobody knows is left open and weighed as such. */
export function FamilyFields({ setup, measured, onChange }: Props) {
  return (
    <>
      <Group label={t`Sensor family${measured ? t` (changing it goes through every reading again)` : ""}`}>
        {families.map((family) => (
          <Cap
            key={family}
            legend="F"
            aria-pressed={setup.family === family}
            onClick={() => onChange(ofFamily(family))}
          >
            {familyWords[family]}
          </Cap>
        ))}
      </Group>
      <Group label={CIRCUIT[setup.family]}>
        {setup.family === "active-2wire" &&
          senses.map((sense) => (
            <Cap key={sense} aria-pressed={setup.sense === sense} onClick={() => onChange({ sense })}>
              {senseWord(sense)}
            </Cap>
          ))}
        {setup.family === "active-2wire" &&
          protocols.map((protocol) => (
            <Cap key={protocol} aria-pressed={setup.protocol === protocol} onClick={() => onChange({ protocol })}>
              {protocolWords(protocol)}
            </Cap>
          ))}
        {setup.family === "active-3wire" &&
          [...threeWireSuppliesV, undefined].map((supplyV) => (
            <Cap
              key={supplyV ?? "unknown"}
              aria-pressed={setup.supplyV === supplyV}
              onClick={() => onChange({ supplyV })}
            >
              {supplyV === undefined ? t`supply not known` : t`${supplyV} V supply`}
            </Cap>
          ))}
        {setup.family === "active-3wire" &&
          [...pullUpsV, undefined].map((pullUpV) => (
            <Cap
              key={pullUpV ?? "unknown"}
              aria-pressed={setup.pullUpV === pullUpV}
              onClick={() => onChange({ pullUpV })}
            >
              {pullUpV === undefined ? t`pull-up not known` : t`signal up to ${pullUpV} V`}
            </Cap>
          ))}
        {setup.family === "passive" &&
          legBiases.map((legBias) => (
            <Cap key={legBias} aria-pressed={setup.legBias === legBias} onClick={() => onChange({ legBias })}>
              {legBiasWord(legBias)}
            </Cap>
          ))}
      </Group>
    </>
  );
}

const CIRCUIT: Record<CornerSetup["family"], string> = {
  get "active-2wire"() {
    return t`Where the module reads the current, and the kind of signal`;
  },
  get "active-3wire"() {
    return t`Sensor supply, and what the signal is pulled up to`;
  },
  get passive() {
    return t`Key on, sensor plug off: each leg to battery −`;
  },
};
