import { t } from "@/core/words/words";
import { useState } from "react";
import { codesRefused, decodeCodes, onlyHistory, sayCode, splitCodes } from "@/core/codes/code";
import { codesElsewhere, cornersCoded } from "@/core/complaint/complaint-weight";
import { cornerWords, type Corner } from "@/core/units/corner";
import { Cap } from "../keys/cap";
import { useDraft } from "../keys/use-draft";

/** Codes as typed, each read out below; what is refused stays in the field, a draft, until it can be taken. */
export function CodesField({
  field,
  corner: own,
  codes,
  inWork,
  onChange,
  onTake,
}: {
  /** The field's name among all fields of the shop. */
  field: string;
  corner: Corner;
  codes: string[];
  /** The car's corners in work. */
  inWork: readonly Corner[];
  onChange: (codes: string[]) => void;
  /** Takes another corner into work. */
  onTake: (corner: Corner) => void;
}) {
  const decoded = decodeCodes(codes);
  const elsewhere = codesElsewhere(codes, own);
  const { draft, type, drop } = useDraft(field);
  const [taken, setTaken] = useState(codes.join(", "));
  const typed = draft ?? taken;
  const setTyped = (text: string) => {
    const said = codesRefused(splitCodes(text));
    if (said) return type(text);
    drop();
    setTaken(text);
    onChange(splitCodes(text));
  };
  const refused = codesRefused(splitCodes(typed));
  return (
    <div>
      <label className="grid gap-1">
        <span className="text-sm text-muted">{t`Trouble codes in any style, several at once; “present” or “history” behind each if the scan tool says`}</span>
        <input
          className="min-h-12 w-full min-w-0 rounded-lg border border-rule bg-paper px-3 font-mono text-lg"
          value={typed}
          placeholder={t`C003A-13 present`}
          aria-invalid={refused !== null}
          onChange={(event) => setTyped(event.target.value)}
        />
        {refused && (
          <span className="text-sm text-brick" role="alert">
            {refused}
          </span>
        )}
      </label>
      {cornersCoded(codes).length > 1 && (
        <p
          className="mt-2 rounded-lg border border-plum px-3 py-2 text-plum"
          role="status"
        >{t`Several corners at once (${cornersCoded(codes).join(", ")}): shared supply, module ground or battery voltage come first. Look at the other corners before this one.`}</p>
      )}
      {onlyHistory(codes) && (
        <p
          className="mt-2 rounded-lg border border-plum px-3 py-2 text-plum"
          role="status"
        >{t`Stored codes only: the fault is likely not here now. Treat it as one that comes and goes.`}</p>
      )}
      <ul className="text-sm">
        {codes.map((text, at) => {
          const code = decoded[at];
          return (
            <li key={text} className="pt-1">
              <b className="font-mono">{code?.code ?? text}</b> {sayCode(text)}
              {elsewhere.includes(text) && (
                <Elsewhere
                  corner={code!.mayMean[0]!}
                  own={own}
                  taken={inWork.includes(code!.mayMean[0]!)}
                  onTake={onTake}
                />
              )}
              {code?.maker && !code.corner && (
                <span className="flex flex-wrap gap-2 py-1">
                  {code.mayMean.map((corner) => (
                    <Cap
                      key={corner}
                      onClick={() => setTyped(codes.map((one) => (one === text ? `${one} ${corner}` : one)).join(", "))}
                    >
                      {corner}
                    </Cap>
                  ))}
                </span>
              )}
            </li>
          );
        })}
      </ul>
    </div>
  );
}

/** That a code names another corner than the one worked on, and what to do about it. */
function Elsewhere({
  corner,
  own,
  taken,
  onTake,
}: {
  corner: Corner;
  own: Corner;
  taken: boolean;
  onTake: (corner: Corner) => void;
}) {
  if (taken)
    return (
      <span className="block text-muted">{t`It names ${cornerWords[corner]}, which is on this job too: it is used there.`}</span>
    );
  return (
    <span className="block text-plum" role="status">
      {t`? It names ${cornerWords[corner]}; this corner is ${cornerWords[own]}. It is not used here.`}{" "}
      <Cap onClick={() => onTake(corner)}>{t`add ${corner} to this job`}</Cap>
    </span>
  );
}
