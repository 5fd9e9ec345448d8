import { firstTables } from "./001-first-tables.ts";
import { sensorCurve } from "./002-sensor-curve.ts";
import { facts } from "./003-facts.ts";
import { strikesStruck } from "./004-strikes-struck.ts";
import { firstDistance } from "./005-first-distance.ts";
import { verdictCounts } from "./006-verdict-counts.ts";
import { origin } from "./007-origin.ts";
import { ofPeople } from "./008-of-people.ts";
import { pictures } from "./009-pictures.ts";
import { bookGrown } from "./010-book-grown.ts";
import { knownLater } from "./011-known-later.ts";
import { shelf } from "./012-shelf.ts";
import { levels } from "./013-levels.ts";
import { followUps } from "./014-follow-ups.ts";
import { approvals } from "./015-approvals.ts";
import { tanksAndLists } from "./016-tanks-and-lists.ts";
import { rolePerDatabase } from "./017-role-per-database.ts";
import { doors } from "./018-doors.ts";
import { underWay } from "./019-under-way.ts";
import { backups } from "./020-backups.ts";
import { grownTo } from "./021-grown-to.ts";
import { bookChain } from "./022-chain.ts";
import { peopleByFunction } from "./023-people-by-function.ts";
import { house } from "./024-house.ts";
import { wholeShop } from "./025-whole-shop.ts";
import { sessionMember } from "./026-session-member.ts";
import { manyPeople } from "./027-many-people.ts";
import { owners } from "./028-owners.ts";
import { knownOfACard } from "./029-known-of-a-card.ts";
import { theDay } from "./030-the-day.ts";
import { liveLogs } from "./031-live-logs.ts";
import { practice } from "./032-practice.ts";
import type { Migration } from "./migration.ts";

/** In the order in which they run. Listed rather than read from a folder, so that a bundle holds them too. */
export const migrations: Migration[] = [
  firstTables,
  sensorCurve,
  facts,
  strikesStruck,
  firstDistance,
  verdictCounts,
  origin,
  ofPeople,
  pictures,
  bookGrown,
  knownLater,
  shelf,
  levels,
  followUps,
  approvals,
  tanksAndLists,
  rolePerDatabase,
  doors,
  underWay,
  backups,
  grownTo,
  bookChain,
  peopleByFunction,
  house,
  wholeShop,
  sessionMember,
  manyPeople,
  owners,
  knownOfACard,
  theDay,
  liveLogs,
  practice,
];
