import { t } from "@/core/words/words";
import { jt } from "../keys/words";
import { hookupCard, type HookupCard, type Lead } from "@/core/checks/hookup-card";
import { leadEndWords } from "@/core/checks/lead-end";
import type { Hookup } from "@/core/checks/hookup";
import type { Instrument } from "@/core/checks/instruments";
import type { CornerSetup } from "@/core/circuit/setup";
import { LeadLine } from "./lead-line";

const SELECTOR: [Instrument, string][] = [
  ["volts-dc", "V DC"],
  ["volts-ac", "V AC"],
  ["ohms", "Ω"],
  ["continuity", "•))"],
  ["capacitance", "nF"],
  ["hertz", "Hz"],
  ["duty", "%"],
];

/** Where the two leads leave what is drawn. */
const STARTS: Record<HookupCard["picture"], [[number, number], [number, number]]> = {
  meter: [
    [186, 132],
    [150, 150],
  ],
  scope: [
    [186, 132],
    [150, 150],
  ],
  clamp: [
    [186, 92],
    [186, 92],
  ],
  lamp: [
    [186, 52],
    [186, 142],
  ],
};

/** The instrument, its selector and sockets, and each lead to its terminal: drawn, with the words under it. */
export function HookupPicture({ hookup, setup }: { hookup: Hookup; setup: CornerSetup }) {
  const card = hookupCard(hookup, setup);
  if (!card) return null;
  const { instrument } = hookup;
  const [red, black] = [card.leads[0]!, card.leads[1] ?? null];
  return (
    <figure className="rounded-xl bg-paper p-3">
      <svg
        viewBox="0 0 620 190"
        className="block h-auto w-full max-w-2xl"
        role="img"
        aria-label={`${card.dial}. ${card.leads.map(({ colour, where }) => t`${colour} on ${where}`).join(", ")}`}
      >
        {card.picture === "meter" && <Meter instrument={instrument} />}
        {card.picture === "scope" && <Scope screen={card.screen ?? ""} />}
        {card.picture === "clamp" && <Clamp />}
        {card.picture === "lamp" && <Lamp />}
        <LeadLine from={STARTS[card.picture][0]} to={[330, 52]} dashed={false} letter="R" end={red.end} />
        {black && card.picture !== "clamp" && (
          <LeadLine from={STARTS[card.picture][1]} to={[330, 142]} dashed letter="B" end={black.end} />
        )}
        {card.ground && (
          <LeadLine from={STARTS[card.picture][1]} to={[330, 142]} dashed letter="G" end={card.ground.end} />
        )}
        <Terminal lead={red} y={14} title={card.picture === "clamp" ? t`looped jumper` : t`red`} />
        {black && card.picture !== "clamp" && <Terminal lead={black} y={104} title={t`black`} />}
        {card.ground && (
          <g>
            <rect x="330" y="104" width="280" height="72" rx="9" fill="var(--card)" stroke="var(--muted)" />
            <Words x={344} y={128} bold>
              {card.ground.title}
            </Words>
            <Words x={344} y={150}>
              {card.ground.where}
            </Words>
          </g>
        )}
      </svg>
      <figcaption>
        <ul className="pt-2 text-sm">
          <li>{card.dial}</li>
          <li>{card.sockets}</li>
          {card.leads.map(({ colour, where, terminal, face, end }) => (
            <li
              key={colour}
            >{jt`${(<b>{colour}</b>)} on ${where}${terminal && <b className="font-mono"> · {terminal}</b>}${face && <> · {face.say}</>}${end && <> · {leadEndWords[end]}</>}`}</li>
          ))}
        </ul>
      </figcaption>
    </figure>
  );
}

/** A hand meter told by its row of selector keys, the wanted one lit, and its sockets. */
function Meter({ instrument }: { instrument: Instrument }) {
  return (
    <g>
      <rect x="6" y="8" width="210" height="174" rx="14" fill="var(--card)" stroke="var(--ink)" strokeWidth="1.5" />
      <rect x="20" y="20" width="182" height="36" rx="6" fill="var(--paper)" stroke="var(--rule)" />
      <text x="192" y="46" textAnchor="end" fontSize="24" fontFamily="var(--font-mono)" fill="var(--ink)">
        ––.––
      </text>
      {SELECTOR.map(([kind, legend], i) => {
        const [x, y] = [20 + (i % 4) * 46, 64 + Math.floor(i / 4) * 30];
        const wanted = kind === instrument;
        return (
          <g key={kind}>
            <rect
              x={x}
              y={y}
              width="43"
              height="26"
              rx="6"
              fill={wanted ? "var(--marigold-wash)" : "var(--card)"}
              stroke={wanted ? "var(--marigold)" : "var(--rule)"}
              strokeWidth={wanted ? 3 : 1}
            />
            <text
              x={x + 21.5}
              y={y + 18}
              textAnchor="middle"
              fontSize="13"
              fontWeight={wanted ? 700 : 400}
              fill={wanted ? "var(--ink)" : "var(--muted)"}
            >
              {legend}
            </text>
          </g>
        );
      })}
      {(
        [
          [186, 132, "V Ω", true],
          [150, 150, "COM", true],
          [40, 150, "A", false],
        ] as const
      ).map(([x, y, name, used]) => (
        <g key={name}>
          <circle
            cx={x}
            cy={y}
            r="9"
            fill="var(--paper)"
            stroke={used ? "var(--ink)" : "var(--rule)"}
            strokeWidth="2"
          />
          {used && <circle cx={x} cy={y} r="4" fill="var(--ink)" />}
          <text
            x={name === "V Ω" ? x - 15 : x + (name === "COM" ? -15 : 15)}
            y={y + 5}
            textAnchor={name === "A" ? "start" : "end"}
            fontSize="13"
            fill="var(--muted)"
          >
            {name}
          </text>
        </g>
      ))}
    </g>
  );
}

function Scope({ screen }: { screen: string }) {
  return (
    <g>
      <rect x="6" y="8" width="210" height="174" rx="14" fill="var(--card)" stroke="var(--ink)" strokeWidth="1.5" />
      <rect x="20" y="20" width="182" height="92" rx="6" fill="var(--paper)" stroke="var(--rule)" />
      <path
        d="M 28 92 h 16 v -48 h 18 v 48 h 18 v -48 h 18 v 48 h 18 v -48 h 18 v 48 h 18 v -48 h 18 v 48 h 12"
        fill="none"
        stroke="var(--ink)"
        strokeWidth="2.5"
      />
      <Words x={20} y={134}>
        {screen}
      </Words>
      <circle cx="186" cy="132" r="9" fill="var(--paper)" stroke="var(--ink)" strokeWidth="2" />
      <circle cx="150" cy="150" r="9" fill="var(--paper)" stroke="var(--ink)" strokeWidth="2" />
    </g>
  );
}

function Clamp() {
  return (
    <g>
      <circle cx="120" cy="92" r="62" fill="none" stroke="var(--ink)" strokeWidth="16" strokeDasharray="330 60" />
      {[0, 1, 2, 3, 4, 5].map((loop) => (
        <ellipse
          key={loop}
          cx={120 + 6 * loop - 15}
          cy="92"
          rx="26"
          ry="40"
          fill="none"
          stroke="var(--marigold)"
          strokeWidth="3"
        />
      ))}
      <Words x={74} y={180}>{t`six loops: divide by six`}</Words>
    </g>
  );
}

function Lamp() {
  return (
    <g>
      <rect x="14" y="26" width="86" height="52" rx="6" fill="var(--card)" stroke="var(--ink)" />
      <Words x={26} y={57}>
        12 V
      </Words>
      <line x1="100" x2="186" y1="52" y2="52" stroke="var(--brick)" strokeWidth="4" />
      <rect x="116" y="40" width="56" height="24" rx="4" fill="var(--paper)" stroke="var(--ink)" />
      <Words x={128} y={57}>{t`fuse`}</Words>
      <line x1="57" x2="57" y1="78" y2="142" stroke="var(--ink)" strokeWidth="3" />
      <line x1="57" x2="94" y1="142" y2="142" stroke="var(--ink)" strokeWidth="3" />
      <Words x={66} y={104}>{t`battery −`}</Words>
      <circle cx="120" cy="142" r="26" fill="var(--marigold-wash)" stroke="var(--ink)" strokeWidth="2" />
      <path d="M 102 124 L 138 160 M 138 124 L 102 160" stroke="var(--ink)" strokeWidth="2" />
      <line x1="146" x2="186" y1="142" y2="142" stroke="var(--ink)" strokeWidth="4" strokeDasharray="9 5" />
    </g>
  );
}

/** A lead's end: the place, its pin and colour, and the connector face with the pin counted. */
function Terminal({ lead, y, title }: { lead: Lead; y: number; title: string }) {
  return (
    <g>
      <rect x="330" y={y} width="280" height="76" rx="9" fill="var(--card)" stroke="var(--marigold)" strokeWidth="2" />
      <Words x={344} y={y + 24} bold>{`${title}: ${lead.short}`}</Words>
      {lead.terminal && (
        <Words x={344} y={y + 46}>
          {lead.terminal}
        </Words>
      )}
      {lead.face ? (
        <Face face={lead.face} x={344} y={y + 54} />
      ) : (
        !lead.terminal && <Words x={344} y={y + 46}>{t`pin and colour: not in the pin map yet`}</Words>
      )}
    </g>
  );
}

function Face({
  face: { rows, columns, row, column },
  x,
  y,
}: {
  face: NonNullable<Lead["face"]>;
  x: number;
  y: number;
}) {
  const size = Math.min(14, 250 / columns, 18 / rows);
  return (
    <g>
      {Array.from({ length: rows * columns }, (_, i) => {
        const [r, c] = [Math.floor(i / columns), i % columns];
        const wanted = r === row && c === column;
        return (
          <rect
            key={i}
            x={x + c * size}
            y={y + r * size}
            width={size - 2}
            height={size - 2}
            fill={wanted ? "var(--marigold)" : "var(--paper)"}
            stroke={wanted ? "var(--ink)" : "var(--muted)"}
          />
        );
      })}
    </g>
  );
}

function Words({ x, y, bold = false, children }: { x: number; y: number; bold?: boolean; children: string }) {
  return (
    <text x={x} y={y} fontSize="15" fontWeight={bold ? 700 : 400} fill="var(--ink)">
      {children}
    </text>
  );
}
