export { type CardRow, cardRows, cardWords } from "./card-words.ts";
export { CARD_FIELDS, CARD_NAMES, type CardField, type CoolingCard } from "./cooling-card.ts";
export { type DistanceRead, type DistanceTrouble, distanceTrouble } from "./distance-trouble.ts";
export { HEALTH_FIGURES, type HealthFigureName } from "./health-figures.ts";
export { readCard } from "./read-card.ts";
export { MOST_KM, readDistance } from "./read-distance.ts";
export { SAMPLE_CARDS } from "./sample-cards.ts";
export { stagesTrouble } from "./stages-trouble.ts";
export { traceSpecOf } from "./trace-spec.ts";
