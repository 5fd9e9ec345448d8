import type { FanWiring } from "../../../../core/trade/electrics/index.ts";

const WIDTH = 760;
const ROW = 62;
const BOX = 236;
const SOFT_START = {
  "built in": "It has a soft start of its own.",
  advised: "A soft start is advised: its first rush dims the lamps and wears the relay.",
  "not needed": "",
} as const;

/** A text in lines of at most so many letters, broken between words. */
function lines(text: string, most: number): string[] {
  const rows: string[] = [""];
  for (const word of text.split(" ")) {
    const last = rows.at(-1) ?? "";
    if (`${last} ${word}`.trim().length <= most) rows[rows.length - 1] = `${last} ${word}`.trim();
    else rows.push(word);
  }
  return rows;
}

function Box({ x, y, text }: { x: number; y: number; text: string }) {
  const rows = lines(text, 30);
  return (
    <g>
      <rect x={x} y={y} width={BOX} height={ROW - 12} rx={4} className="fill-sheet stroke-ink" />
      {rows.slice(0, 2).map((row, index) => (
        <text
          key={row}
          x={x + BOX / 2}
          y={y + (rows.length > 1 ? 20 : 30) + index * 18}
          textAnchor="middle"
          className="fill-ink text-[14px]"
        >
          {row}
        </text>
      ))}
    </g>
  );
}

/** Every wire from where it comes to where it goes, numbered, with its thickness and fuse: to be printed and followed. */
export function WiringSheet({ wiring }: { wiring: FanWiring }) {
  const { wires, fuseA, section, dropV, dropPercent, relay, relayA, softStart, keyOff, because } = wiring;
  const height = wires.length * ROW + 6;
  return (
    <div data-sheet className="flex flex-col gap-4">
      <dl className="grid grid-cols-2 gap-x-6 gap-y-2 sm:grid-cols-4">
        {(
          [
            ["Fuse", `${fuseA} A`],
            ["Wire", `${section.mm2} mm²`],
            ["Lost on the way", `${dropV.toFixed(2)} V`],
            ["Relay", relay ? `${relayA} A` : "none"],
          ] as const
        ).map(([name, figure]) => (
          <div key={name}>
            <dt className="text-ink-2">{name}</dt>
            <dd className="figure text-3xl">{figure}</dd>
          </div>
        ))}
      </dl>
      <p>
        {because} That is {dropPercent.toFixed(1)} % of the supply. {SOFT_START[softStart]}
      </p>
      <p className="border-ink border-l-4 pl-3">{keyOff}</p>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard */}
      <section tabIndex={0} aria-label="Wiring" className="overflow-x-auto">
        <svg
          viewBox={`0 0 ${WIDTH} ${height}`}
          className="w-full min-w-[38rem]"
          role="img"
          aria-label={`${wires.length} wires, each in the list below: ${wires.map(({ from, to }, index) => `${index + 1}, ${from} to ${to}`).join("; ")}.`}
        >
          {wires.map(({ id, from, to, mm2, fuseA: fuse }, index) => {
            const y = index * ROW + 4;
            const middle = y + (ROW - 12) / 2;
            return (
              <g key={id}>
                <Box x={2} y={y} text={from} />
                <Box x={WIDTH - BOX - 2} y={y} text={to} />
                <line
                  x1={BOX + 2}
                  x2={WIDTH - BOX - 2}
                  y1={middle}
                  y2={middle}
                  strokeWidth={Math.max(1.5, Math.sqrt(mm2) * 2)}
                  strokeDasharray={from === "nothing" ? "3 6" : undefined}
                  className="stroke-ink"
                />
                {fuse && (
                  <rect
                    x={BOX + 34}
                    y={middle - 9}
                    width={44}
                    height={18}
                    className="fill-sheet stroke-ink"
                  />
                )}
                <text
                  x={WIDTH / 2 + (fuse ? 26 : 0)}
                  y={middle - 8}
                  textAnchor="middle"
                  className="figure fill-ink text-[14px]"
                >
                  {index + 1}: {mm2} mm²{fuse ? `, ${fuse} A` : ""}
                </text>
              </g>
            );
          })}
        </svg>
      </section>
      <ol className="list-decimal pl-6">
        {wires.map(({ id, from, to, mm2, fuseA: fuse, why }) => (
          <li key={id} className="border-rule border-b py-2">
            <span className="font-bold">
              {from} to {to}
            </span>
            , {mm2} mm²{fuse ? `, fuse ${fuse} A` : ""}. {why}
          </li>
        ))}
      </ol>
      <p className="font-bold">
        Run it on a fused lead on the bench before it goes in, and see that it pulls air toward the engine.
      </p>
    </div>
  );
}
