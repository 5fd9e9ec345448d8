import { data, useLoaderData } from "react-router";
import { Refusal } from "../../../server/desk/refusal.ts";
import { reaches } from "../../../server/desk/roles.ts";
import { keepRound } from "../../../server/subjects/practice/keep-round.ts";
import { readOwnPractice, readShopsPractice } from "../../../server/subjects/practice/read-practice.ts";
import { checkForm } from "../../desk/forms.ts";
import { guarded } from "../../desk/guard.server.ts";
import { readForm } from "../../desk/read-body.server.ts";
import { keptPosting } from "../../kept/posting.ts";
import { keptReading } from "../../kept/reading.ts";
import { BenchHead } from "../BenchHead.tsx";
import { OwnRounds } from "./OwnRounds.tsx";
import { Practice } from "./Practice.tsx";
import { actsOf, RoundForm } from "./round.form.ts";
import { ShopsRounds } from "./ShopsRounds.tsx";

export const meta = () => [{ title: "Practice · Warm Ledger" }];

export const loader = guarded("desk", async ({ desk, member }) => ({
  rounds: await desk(readOwnPractice),
  shops: reaches(member.role, "lead") ? await desk(readShopsPractice) : null,
}));

/** A round that is over, kept for whoever played it; sent again it is kept once. */
export const action = guarded("desk", async ({ request, desk }) => {
  const checked = checkForm(RoundForm, await readForm(request));
  if (checked.fields) throw new Refusal({ message: "This round can't be kept: load the page again." });
  const { value } = checked;
  let acts: ReturnType<typeof actsOf>;
  try {
    acts = actsOf(value);
  } catch (error) {
    if (error instanceof RangeError) throw new Refusal({ message: error.message });
    throw error;
  }
  await desk((given) => keepRound(given, { ...value, acts }));
  return data({ kept: value.id });
});

export const clientAction = keptPosting();

/** A round is played without a server, and kept as one answers. */
export const clientLoader = keptReading<Awaited<ReturnType<typeof loader>>>(
  "bench/practice/route",
  async () => ({
    rounds: [],
    shops: null,
  }),
);

/** A car with something hidden in it, and how one has done so far. */
export default function PracticePage() {
  const { rounds, shops } = useLoaderData<typeof loader>();
  return (
    <main id="work" className="p-5 lg:p-7">
      <BenchHead title="Practice" />
      <Practice />
      <OwnRounds rounds={rounds} />
      {shops && <ShopsRounds faults={shops} />}
    </main>
  );
}
