export type ColumnRole = "time" | "coolant" | "intake" | "rpm" | "radiatorOut" | "mark";
export type TemperatureUnit = "C" | "F";
export type TimeUnit = "s" | "ms" | "min" | "clock";

export interface Column {
  role: ColumnRole;
  index: number;
  name: string;
  unit?: TemperatureUnit;
  timeUnit?: TimeUnit;
}

/** Names that loggers and people give their columns, without accents, most telling first; the first that fits wins. */
const NAMES: [ColumnRole, RegExp][] = [
  ["mark", /^(marks?|notes?|remarks?|ereignis|bemerkung|marque|nota)$/],
  [
    "radiatorOut",
    /rad(iator)?[ ._-]*out|radiator outlet|lower hose|bottom hose|kuhler ?austritt|kuhlerausgang|sortie radiateur|salida radiador|uscita radiatore/,
  ],
  [
    "intake",
    /intake|inlet air|\biat\b|ansaug|admission|admision|aspirazione|inlaat|insug|charge air|\bmat\b/,
  ],
  [
    "coolant",
    /coolant|\bect\b|\bclt\b|\bcts\b|kuhlmittel|kuhlwasser|refroidissement|refrigerante|raffreddamento|koelvloeistof|koelwater|kylv|water ?temp|wassertemp|temp.*(eau|agua|acqua)/,
  ],
  ["rpm", /\brpm\b|\brevs?\b|drehzahl|engine ?speed|regime|toerental|\bgiri\b|varvtal|tr ?\/ ?min|^u\/min/],
  [
    "time",
    /^t$|time|zeit|uhr|^temps|heure|tiempo|hora|^tempo|tijd|^tid\b|elapsed|clock|second|sekunde|minute|^sec|^min$|^s$|^ms$/,
  ],
];

/** A temperature column that names no part of the engine is taken for the coolant where nothing else is. */
const ANY_TEMPERATURE = /temp|grad|°|deg/;
const OTHER_TEMPERATURE =
  /oil|ol ?temp|huile|aceite|ambient|outside|aussen|gear|getriebe|exhaust|abgas|cabin|room/;

/** No column is called more than this; the rest says nothing. */
const MOST_NAME_LETTERS = 80;

/** Lower case, without accents, joints between words as blanks. */
export const plainName = (name: string): string =>
  name
    .slice(0, MOST_NAME_LETTERS)
    .normalize("NFD")
    .replace(/\p{Diacritic}/gu, "")
    .toLowerCase()
    .replace(/[_.]+/g, " ")
    .trim();

function temperatureUnit(plain: string): TemperatureUnit | undefined {
  if (/°\s*f|\bdeg ?f\b|fahrenheit|[([ ]f[)\]]?$/.test(plain)) return "F";
  if (/°\s*c|\bdeg ?c\b|celsius|centigrade|[([ ]c[)\]]?$/.test(plain)) return "C";
  return undefined;
}

function timeUnit(plain: string): TimeUnit | undefined {
  if (/\bms\b|msec|milli/.test(plain)) return "ms";
  if (/\bmin\b|minute/.test(plain)) return "min";
  if (/\bs\b|\bsec|second|sekunde/.test(plain)) return "s";
  return undefined;
}

/** What each column of a header holds. A role that stands twice is given to each of its columns. */
export function readHeader(cells: readonly string[]): Column[] {
  const columns = cells.flatMap((name, index): Column[] => {
    const plain = plainName(name);
    const role = NAMES.find(([, pattern]) => pattern.test(plain))?.[0];
    if (!role) return [];
    return [
      {
        role,
        index,
        name: name.trim().slice(0, MOST_NAME_LETTERS),
        unit: temperatureUnit(plain),
        timeUnit: role === "time" ? timeUnit(plain) : undefined,
      },
    ];
  });
  if (columns.some((column) => column.role === "coolant")) return columns;
  const lone = cells.findIndex((name, index) => {
    const plain = plainName(name);
    return (
      ANY_TEMPERATURE.test(plain) &&
      !OTHER_TEMPERATURE.test(plain) &&
      !columns.some((column) => column.index === index)
    );
  });
  const name = cells[lone];
  return name === undefined
    ? columns
    : [
        ...columns,
        {
          role: "coolant",
          index: lone,
          name: name.trim().slice(0, MOST_NAME_LETTERS),
          unit: temperatureUnit(plainName(name)),
        },
      ];
}
