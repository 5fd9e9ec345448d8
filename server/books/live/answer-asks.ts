import { QueryTypes } from "sequelize";
import type { PortRequest } from "../../../core/trade/port/index.ts";
import type { CarReader } from "../../adapter/read-car.ts";
import type { AtDesk } from "../../database/connection.ts";
import type { LiveAsk } from "./read-live-log.ts";

const REQUESTS: Readonly<Record<LiveAsk["ask"], PortRequest>> = {
  codes: { ask: "codes" },
  clear: { ask: "clear" },
  "fan-on": { ask: "fan", isOn: true },
  "fan-off": { ask: "fan", isOn: false },
};

/** Asks the car what people asked of it, in no transaction, and writes down what it answered. */
export async function answerAsks(at: AtDesk, logId: string, reader: CarReader): Promise<void> {
  const open = await at(({ sequelize, transaction }) =>
    sequelize.query<Pick<LiveAsk, "id" | "ask">>(
      "SELECT id, ask FROM live_log_asks WHERE log_id = $1 AND answer IS NULL ORDER BY asked_at, id LIMIT 5",
      { bind: [logId], type: QueryTypes.SELECT, transaction },
    ),
  );
  for (const { id, ask } of open) {
    const answer = await reader.ask(REQUESTS[ask]);
    await at(({ sequelize, transaction }) =>
      sequelize.query("UPDATE live_log_asks SET answer = $3 WHERE log_id = $1 AND id = $2", {
        bind: [logId, id, JSON.stringify(answer)],
        transaction,
      }),
    );
  }
}
