import type { Compared } from "./compare-options.ts";
import type { Option } from "./option.ts";

export interface SchoolSays {
  school: string;
  /** The option it would take; absent where it has nothing to say here. */
  id?: string;
  because: string;
}

/** From here on technicians call a job long: the front end comes off, or most of a day is gone. */
const LONG_JOB_HOURS = 3;
/** What "holds" means to those who say it: no more than one in ten comes back. */
const HOLDS_ODDS = 0.1;
/** Two plastic tanks gone in one vehicle are no accident. */
const CRACKS_SEEN = 2;

interface Here {
  options: readonly Option[];
  compared: readonly Compared[];
  /** How many of this part the vehicle's books have seen fail. */
  failedBefore: number;
}

const cheapestOf = (options: readonly Option[]) =>
  options.reduce<Option | undefined>(
    (least, each) => (!least || each.priceCents < least.priceCents ? each : least),
    undefined,
  );

function longJob({ options }: Here): SchoolSays {
  const school = "A long job: the maker's part only";
  const hours = Math.max(...options.map(({ fitHours }) => fitHours));
  if (hours < LONG_JOB_HOURS)
    return { school, because: `${hours} h is no long job; it begins at ${LONG_JOB_HOURS} h.` };
  const makers = cheapestOf(options.filter(({ grade }) => grade === "maker's"));
  if (!makers) return { school, because: "None of these is the maker's." };
  return { school, id: makers.id, because: `${hours} h of work are not done twice for the price of a part.` };
}

function easyJob({ options }: Here): SchoolSays {
  const school = "An easy job: a pattern part, if the owner knows";
  const hours = Math.max(...options.map(({ fitHours }) => fitHours));
  if (hours >= LONG_JOB_HOURS) return { school, because: `${hours} h is no easy job.` };
  const pattern = cheapestOf(options.filter(({ grade }) => grade === "pattern"));
  if (!pattern) return { school, because: "None of these is a pattern part." };
  return { school, id: pattern.id, because: "Done again it costs little; tell the owner what it is." };
}

function cheapestThatHolds({ options, compared }: Here): SchoolSays {
  const school = "The cheapest that holds";
  const odds = new Map(compared.map(({ id, oddsTwice }) => [id, oddsTwice]));
  const holds = cheapestOf(options.filter(({ id }) => (odds.get(id) ?? 1) <= HOLDS_ODDS));
  if (!holds) return { school, because: "More than one in ten of each comes back: none of them holds." };
  return { school, id: holds.id, because: "The lowest price of those of which nine in ten last the time." };
}

function whereItCracks({ options, failedBefore }: Here): SchoolSays {
  const school = "All-metal where it cracks";
  if (failedBefore < CRACKS_SEEN)
    return { school, because: "It hasn't failed often enough here to call it the tank's fault." };
  const metal = cheapestOf(options.filter(({ grade }) => grade === "all-metal"));
  if (!metal)
    return { school, because: `${failedBefore} have gone in this vehicle, and none of these is all-metal.` };
  return {
    school,
    id: metal.id,
    because: `${failedBefore} have gone in this vehicle; look for what breaks them too.`,
  };
}

/** What each school of the trade would choose of these options, and why. A person chooses. */
export const schoolsSay = (here: Here): SchoolSays[] =>
  [longJob, easyJob, cheapestThatHolds, whereItCracks].map((say) => say(here));
