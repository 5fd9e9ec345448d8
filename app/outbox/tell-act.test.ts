import { describe, expect, it } from "vitest";
import { type Answer, Outbox, type OutgoingEntry } from "./outbox.ts";
import { tellAct } from "./tell-act.ts";

const note = (id: string): OutgoingEntry => ({
  id,
  kind: "note",
  text: id,
  stage: "ask",
  at: "2031-03-04T08:00:00.000Z",
});

function bench(answer: Answer, afterMs = 1) {
  const said: string[] = [];
  const outbox = new Outbox({
    personId: "tobin",
    store: { all: async () => [], put: async () => {}, remove: async () => {} },
    send: () => new Promise((resolve) => setTimeout(() => resolve(answer), afterMs)),
    onBooked: async () => {},
  });
  const act = async (...ids: string[]) => {
    const sent = outbox.add("job", ids.map(note), 1);
    tellAct(outbox, ids, "3 × M6×20, bag 2.", (words) => said.push(words), 40);
    await sent;
    await new Promise((resolve) => setTimeout(resolve, 80));
  };
  return { said, act };
}

describe("what is told of an act", () => {
  it("is that it is booked, once, when the server has all of it", async () => {
    const { said, act } = bench("booked");
    await act("a", "b");
    expect(said).toEqual(["Booked: 3 × M6×20, bag 2."]);
  });

  it("is that it is kept where no server answers, or none soon", async () => {
    for (const { said, act } of [bench("unreachable"), bench("booked", 60)]) {
      await act("a");
      expect(said).toEqual(["Kept here, not sent yet: 3 × M6×20, bag 2."]);
    }
  });

  it("is why not, where it was refused", async () => {
    const { said, act } = bench({ refused: "is back already" });
    await act("a");
    expect(said).toEqual(["Not booked: 3 × M6×20, bag 2. is back already"]);
  });
});
