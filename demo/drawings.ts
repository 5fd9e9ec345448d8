const INK = "#211d18";
const METAL = "#8d8a84";
const DARK = "#3a3733";
const RUBBER = "#24211e";

const sheet = (body: string) =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="1200" height="900"><rect width="1200" height="900" fill="${DARK}"/>${body}</svg>`;

/** A fan in its shroud, its plug on one side. */
export const fanWithPlug = (side: "left" | "right") => {
  const x = side === "left" ? 180 : 880;
  const blades = Array.from(
    { length: 7 },
    (_, blade) =>
      `<path d="M600 450C640 330 690 250 760 190L700 150C610 230 570 330 560 450Z" fill="${RUBBER}" transform="rotate(${(blade * 360) / 7} 600 450)"/>`,
  ).join("");
  return sheet(
    `<circle cx="600" cy="450" r="370" fill="#4b4843"/><circle cx="600" cy="450" r="340" fill="#5d5953"/>${blades}<circle cx="600" cy="450" r="92" fill="#2b2825"/><rect x="${x}" y="640" width="150" height="100" rx="14" fill="#16130f"/><path d="M${x + 75} 640C${x + 60} 560 ${side === "left" ? 380 : 820} 520 600 470" stroke="#7a2d1a" stroke-width="16" fill="none"/><path d="M${x + 95} 640C${x + 90} 570 ${side === "left" ? 400 : 800} 540 600 480" stroke="#d9b65a" stroke-width="16" fill="none"/>`,
  );
};

/** The face of a radiator; with a wet seam where it leaks. */
export const radiatorFace = (isWet: boolean) => {
  const fins = Array.from(
    { length: 42 },
    (_, fin) => `<rect x="${180 + fin * 20}" y="160" width="6" height="580" fill="${METAL}"/>`,
  );
  const wet = isWet
    ? '<path d="M160 420C150 520 175 600 150 740" stroke="#6e9db3" stroke-width="26" fill="none" opacity="0.85"/>'
    : "";
  return sheet(
    `<rect x="120" y="140" width="70" height="620" rx="12" fill="${RUBBER}"/><rect x="1010" y="140" width="70" height="620" rx="12" fill="${RUBBER}"/>${fins.join("")}<circle cx="155" cy="220" r="46" fill="${INK}"/><circle cx="1045" cy="680" r="46" fill="${INK}"/>${wet}`,
  );
};

/** A hose on its neck with its clamp, ears up. */
export const hoseClamp = () =>
  sheet(
    `<rect x="640" y="360" width="420" height="170" rx="30" fill="${METAL}"/><path d="M120 760C220 560 420 445 720 445" stroke="${RUBBER}" stroke-width="200" fill="none"/><rect x="610" y="330" width="46" height="232" fill="#b9b4aa"/><path d="M612 330l-26-70m70 70l26-70" stroke="#b9b4aa" stroke-width="26"/>`,
  );

/** Bags laid out on the bench with what is in them. */
export const bagsOnBench = (bags: number) =>
  sheet(
    Array.from({ length: bags }, (_, bag) => {
      const x = 110 + (bag % 3) * 350;
      const y = 120 + Math.floor(bag / 3) * 380;
      const bolts = Array.from(
        { length: 3 + (bag % 3) },
        (_, bolt) =>
          `<rect x="${x + 40 + bolt * 44}" y="${y + 130}" width="18" height="110" fill="${METAL}"/><rect x="${x + 30 + bolt * 44}" y="${y + 112}" width="38" height="24" fill="#b9b4aa"/>`,
      ).join("");
      return `<rect x="${x}" y="${y}" width="290" height="310" rx="18" fill="#e2d8c6" opacity="0.85"/><rect x="${x}" y="${y}" width="290" height="44" fill="#7a2d1a"/>${bolts}`;
    }).join(""),
  );
