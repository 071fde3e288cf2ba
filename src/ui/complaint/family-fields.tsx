"use client";
import { t } from "@/core/words/words";
import {
  families,
  familyWords,
  legBiases,
  legBiasWord,
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
      <Choices
        label={t`Sensor family${measured ? t` (changing it goes through every reading again)` : ""}`}
        legend="F"
        of={families}
        chosen={setup.family}
        say={(family) => familyWords[family]}
        onChoose={(family) => onChange({ family })}
      />
      {setup.family === "active-2wire" && <TwoWires setup={setup} onChange={onChange} />}
      {setup.family === "active-3wire" && <ThreeWires setup={setup} onChange={onChange} />}
      {setup.family === "passive" && (
        <Choices
          label={t`Key on, sensor plug off: each leg to battery −`}
          of={legBiases}
          chosen={setup.legBias}
          say={legBiasWord}
          onChoose={(legBias) => onChange({ legBias })}
        />
      )}
    </>
  );
}

function TwoWires({ setup, onChange }: Pick<Props, "setup" | "onChange">) {
  return (
    <>
      <Choices
        label={t`Where the module reads the current`}
        of={senses}
        chosen={setup.sense}
        say={senseWord}
        onChoose={(sense) => onChange({ sense })}
      >
        {setup.sense === "unknown" && (
          <p className="max-w-sm self-center text-sm text-muted">
            {t`Plugged in, key on: a few tenths to 4 V on the return is low side; 0 V there and a toggling supply is high side.`}
          </p>
        )}
      </Choices>
      <Choices
        label={t`Kind of signal`}
        of={protocols}
        chosen={setup.protocol}
        say={protocolWords}
        onChoose={(protocol) => onChange({ protocol })}
      />
    </>
  );
}

function ThreeWires({ setup, onChange }: Pick<Props, "setup" | "onChange">) {
  return (
    <>
      <Choices
        label={t`Sensor supply`}
        of={offered(threeWireSuppliesV, setup.supplyV)}
        chosen={setup.supplyV}
        say={voltsWord}
        onChoose={(supplyV) => onChange({ supplyV })}
      />
      <Choices
        label={t`Signal pulled up to`}
        of={offered(pullUpsV, setup.pullUpV)}
        chosen={setup.pullUpV}
        say={voltsWord}
        onChoose={(pullUpV) => onChange({ pullUpV })}
      />
    </>
  );
}

/** The usual voltages, what was typed beside them, and that nobody knows. */
function offered(usualV: readonly number[], chosenV: number | undefined): (number | undefined)[] {
  return [...new Set([...usualV, chosenV, undefined])];
}

const voltsWord = (volts: number | undefined) => (volts === undefined ? t`not known` : `${volts} V`);

interface ChoicesProps<T> {
  label: string;
  legend?: string;
  of: readonly T[];
  chosen: T;
  say: (one: T) => string;
  onChoose: (one: T) => void;
  children?: React.ReactNode;
}

function Choices<T extends string | number | undefined>(props: ChoicesProps<T>) {
  const { label, legend, of, chosen, say, onChoose, children } = props;
  return (
    <Group label={label}>
      {of.map((one) => (
        <Cap
          key={one ?? "unknown"}
          {...(legend ? { legend } : {})}
          aria-pressed={one === chosen}
          onClick={() => onChoose(one)}
        >
          {say(one)}
        </Cap>
      ))}
      {children}
    </Group>
  );
}
