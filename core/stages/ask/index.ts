export { type Answered, answersOf, type Question } from "./answers.ts";
export { ASKED_LEVELS, type Heard, linesHeard } from "./heard.ts";
