import { t } from "@/core/words/words";
import type { Hookup } from "@/core/checks/hookup";
import { lookPicture, type LookPicture } from "@/core/simulated/look-picture";
import type { Job } from "@/core/job/schema";

/** What is seen at the simulated car, drawn from the defect it has. */
export function LookDrawing({ job, hookup, answer }: { job: Job; hookup: Hookup; answer: string }) {
  const picture = lookPicture(job, hookup, answer);
  if (!picture) return null;
  return (
    <figure className="mt-2 rounded-xl border border-plum bg-paper p-3">
      <svg viewBox="0 0 420 170" className="block h-auto w-full max-w-md" role="img" aria-label={pictureWords(picture)}>
        {(picture.kind === "ring" || picture.kind === "film") && <Ring picture={picture} />}
        {picture.kind === "plug" && <Plug {...picture} />}
        {picture.kind === "wire" && <Wire {...picture} />}
        {picture.kind === "foot" && <Foot {...picture} />}
        {picture.kind === "bearing" && <Bearing {...picture} />}
      </svg>
      <figcaption className="text-sm text-muted">{t`simulated · ${pictureWords(picture)}`}</figcaption>
    </figure>
  );
}

function pictureWords(picture: LookPicture): string {
  switch (picture.kind) {
    case "ring":
    case "film":
      return ringWords(picture);
    case "plug":
      return picture.bad ? t`the plug: green bloom, one terminal backed out` : t`the plug: clean, terminals even`;
    case "wire":
      return picture.damaged ? t`the loom: insulation chafed through at a clip` : t`the loom: whole along its clips`;
    case "foot":
      if (picture.loose) return t`the foot: moves in its seat`;
      return picture.liftMm > 0 ? t`the foot: rust under it lifts it` : t`the foot: flat in its seat`;
    case "bearing":
      return picture.play ? t`the hub: rocks, and stands still with the brake held` : t`the hub: no play`;
  }
}

type RingPicture = Extract<LookPicture, { kind: "ring" | "film" }>;

function ringWords({ kind, stripes, missing, crack, debris }: RingPicture): string {
  const what = kind === "ring" ? t`the ring, unrolled` : t`the encoder under film, unrolled`;
  if (!stripes) return t`${what}: no stripes on this side`;
  if (missing) return t`${what}: ${missing[1]} gone`;
  if (crack !== null) return t`${what}: a crack`;
  return debris !== null ? t`${what}: one packed or bent` : t`${what}: even all the way`;
}

const ROW = 24;

/** Teeth or pole pairs laid out in rows, so that each can be told. */
function Ring({ picture }: { picture: RingPicture }) {
  const { pulses, missing, crack, debris, kind, stripes } = picture;
  const rows = Math.ceil(pulses / ROW);
  const height = Math.min(60, 150 / rows);
  return (
    <g>
      {Array.from({ length: pulses }, (_, tooth) => {
        const [x, y] = [10 + (tooth % ROW) * 17, 10 + Math.floor(tooth / ROW) * height];
        const gone = missing !== null && (tooth - missing[0] + pulses) % pulses < missing[1];
        if (!stripes || gone)
          return (
            <rect
              key={tooth}
              x={x}
              y={y}
              width="17"
              height={height - 8}
              fill="none"
              stroke={gone ? "var(--brick)" : "var(--rule)"}
              strokeDasharray="3 3"
            />
          );
        return (
          <g key={tooth}>
            {kind === "film" ? (
              <>
                <rect x={x} y={y} width="8.5" height={height - 8} fill="var(--ink)" />
                <rect x={x + 8.5} y={y} width="8.5" height={height - 8} fill="var(--rule)" />
              </>
            ) : (
              <rect x={x + 2} y={y} width="11" height={height - 8} rx="2" fill="var(--muted)" stroke="var(--ink)" />
            )}
            {crack === tooth && (
              <path
                d={`M ${x + 15} ${y - 3} l -4 ${height / 3} l 6 ${height / 4} l -5 ${height / 3}`}
                fill="none"
                stroke="var(--brick)"
                strokeWidth="3"
              />
            )}
            {debris === tooth && <ellipse cx={x + 8} cy={y + 3} rx="11" ry="8" fill="var(--brick)" opacity="0.85" />}
          </g>
        );
      })}
    </g>
  );
}

function Plug({ terminals, bad }: { terminals: number; bad: boolean }) {
  return (
    <g>
      <rect x="60" y="20" width="300" height="130" rx="16" fill="var(--card)" stroke="var(--ink)" strokeWidth="2" />
      {Array.from({ length: terminals }, (_, i) => {
        const x = 60 + (300 * (i + 0.5)) / terminals;
        const back = bad && i === 0;
        return (
          <g key={i}>
            <rect x={x - 22} y="60" width="44" height="50" rx="5" fill="var(--paper)" stroke="var(--ink)" />
            <rect x={x - 9} y={back ? 92 : 66} width="18" height={back ? 16 : 38} fill="var(--muted)" />
            {back && (
              <path
                d={`M ${x - 22} 70 q 10 -14 22 -4 q 12 -12 24 4 q 8 16 -6 22 q -20 10 -34 0 z`}
                fill="var(--verdigris)"
                opacity="0.75"
              />
            )}
          </g>
        );
      })}
    </g>
  );
}

function Wire({ damaged }: { damaged: boolean }) {
  return (
    <g>
      <path d="M 10 70 C 120 40, 260 110, 410 70" fill="none" stroke="var(--ink)" strokeWidth="14" />
      <path d="M 10 98 C 120 68, 260 138, 410 98" fill="none" stroke="var(--muted)" strokeWidth="14" />
      <rect x="196" y="52" width="22" height="74" rx="5" fill="var(--card)" stroke="var(--ink)" strokeWidth="2" />
      {damaged && (
        <g>
          <path d="M 228 72 l 12 10 l -6 8 l 14 6" fill="none" stroke="var(--marigold)" strokeWidth="6" />
          <path d="M 226 66 l 26 8" stroke="var(--brick)" strokeWidth="5" />
        </g>
      )}
    </g>
  );
}

function Foot({ liftMm, loose }: { liftMm: number; loose: boolean }) {
  const up = liftMm > 0 ? 22 : 0;
  return (
    <g transform={loose ? "rotate(-7 200 100)" : undefined}>
      <rect x="30" y="110" width="360" height="44" fill="var(--rule)" stroke="var(--ink)" />
      {up > 0 && <path d={`M 120 110 l 10 -${up} l 40 6 l 50 -5 l 60 4 l 20 ${up - 4} z`} fill="var(--brick)" />}
      <rect x="110" y={86 - up} width="200" height="24" rx="5" fill="var(--card)" stroke="var(--ink)" strokeWidth="2" />
      <rect x="180" y={30 - up} width="60" height="56" rx="8" fill="var(--muted)" stroke="var(--ink)" />
      <circle cx="140" cy={98 - up} r="8" fill="var(--paper)" stroke="var(--ink)" />
    </g>
  );
}

function Bearing({ play }: { play: boolean }) {
  return (
    <g>
      {play && (
        <circle cx="222" cy="85" r="66" fill="none" stroke="var(--brick)" strokeWidth="3" strokeDasharray="8 6" />
      )}
      <circle cx="210" cy="85" r="66" fill="var(--card)" stroke="var(--ink)" strokeWidth="3" />
      <circle cx="210" cy="85" r="26" fill="var(--rule)" stroke="var(--ink)" strokeWidth="2" />
      {play && (
        <path
          d="M 290 85 h 50 m -12 -9 l 12 9 l -12 9 M 130 85 h -50 m 12 -9 l -12 9 l 12 9"
          fill="none"
          stroke="var(--brick)"
          strokeWidth="4"
        />
      )}
    </g>
  );
}
