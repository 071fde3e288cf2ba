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
      {setup.family === "active-2wire" && <TwoWires setup={setup} onChange={onChange} />}
      {setup.family === "active-3wire" && <ThreeWires setup={setup} onChange={onChange} />}
      {setup.family === "passive" && (
        <Group label={t`Key on, sensor plug off: each leg to battery −`}>
          {legBiases.map((legBias) => (
            <Cap key={legBias} aria-pressed={setup.legBias === legBias} onClick={() => onChange({ legBias })}>
              {legBiasWord(legBias)}
            </Cap>
          ))}
        </Group>
      )}
    </>
  );
}

function TwoWires({ setup, onChange }: Pick<Props, "setup" | "onChange">) {
  return (
    <>
      <Group label={t`Where the module reads the current`}>
        {senses.map((sense) => (
          <Cap key={sense} aria-pressed={setup.sense === sense} onClick={() => onChange({ sense })}>
            {senseWord(sense)}
          </Cap>
        ))}
        {setup.sense === "unknown" && (
          <p className="max-w-sm self-center text-sm text-muted">
            {t`Plugged in, key on: a few tenths to 4 V on the return is low side; 0 V there and a toggling supply is high side.`}
          </p>
        )}
      </Group>
      <Group label={t`Kind of signal`}>
        {protocols.map((protocol) => (
          <Cap key={protocol} aria-pressed={setup.protocol === protocol} onClick={() => onChange({ protocol })}>
            {protocolWords(protocol)}
          </Cap>
        ))}
      </Group>
    </>
  );
}

function ThreeWires({ setup, onChange }: Pick<Props, "setup" | "onChange">) {
  return (
    <>
      <Group label={t`Sensor supply`}>
        {[...threeWireSuppliesV, undefined].map((supplyV) => (
          <Cap
            key={supplyV ?? "unknown"}
            aria-pressed={setup.supplyV === supplyV}
            onClick={() => onChange({ supplyV })}
          >
            {supplyV === undefined ? t`not known` : `${supplyV} V`}
          </Cap>
        ))}
      </Group>
      <Group label={t`Signal pulled up to`}>
        {[...pullUpsV, undefined].map((pullUpV) => (
          <Cap
            key={pullUpV ?? "unknown"}
            aria-pressed={setup.pullUpV === pullUpV}
            onClick={() => onChange({ pullUpV })}
          >
            {pullUpV === undefined ? t`not known` : `${pullUpV} V`}
          </Cap>
        ))}
      </Group>
    </>
  );
}
