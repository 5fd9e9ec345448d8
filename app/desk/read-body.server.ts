import { Refusal } from "../../server/desk/refusal.ts";

export const typeOf = (request: Request) =>
  request.headers.get("Content-Type")?.split(";")[0]?.trim().toLowerCase();

export const unreadable = () => new Refusal({ status: 400, message: "What was sent can't be read." });
export const wrongType = (wanted: string) =>
  new Refusal({ status: 415, message: `This is sent as ${wanted}, and nothing else.` });

/** The JSON of a post. Refuses other types of content and what is no JSON. */
export async function readJson(request: Request): Promise<unknown> {
  if (typeOf(request) !== "application/json") throw wrongType("JSON");
  try {
    return await request.json();
  } catch {
    throw unreadable();
  }
}

/** What a page posts as a form, or this browser's outbox as JSON; and which. */
export async function readPosted(request: Request): Promise<{ isJson: boolean; posted: unknown }> {
  const isJson = typeOf(request) === "application/json";
  return { isJson, posted: isJson ? await readJson(request) : await readForm(request) };
}

const FORMS = ["application/x-www-form-urlencoded", "multipart/form-data"];
/** No form of ours has more fields than this. */
export const MOST_PARTS = 100;

/** How often a byte pattern stands in a body, counted no further than `most`. */
function timesIn(body: Buffer, pattern: string, most: number): number {
  let times = 0;
  for (
    let at = body.indexOf(pattern);
    at >= 0 && times <= most;
    at = body.indexOf(pattern, at + pattern.length)
  )
    times++;
  return times;
}

/** The form of a post. Refuses other types of content, what is no form, and one of more fields than any of ours. */
export async function readForm(request: Request): Promise<FormData> {
  const type = typeOf(request);
  if (!type || !FORMS.includes(type)) throw wrongType("a form");
  try {
    const header = request.headers.get("Content-Type") ?? "";
    const body = Buffer.from(await request.arrayBuffer());
    const boundary = /boundary="?([^";]{1,100})"?/i.exec(header)?.[1];
    const parts =
      type === FORMS[0] ? timesIn(body, "&", MOST_PARTS) : timesIn(body, `--${boundary}`, MOST_PARTS);
    if (parts > MOST_PARTS) throw unreadable();
    return await new Response(body, { headers: { "Content-Type": header } }).formData();
  } catch (error) {
    throw error instanceof Refusal ? error : unreadable();
  }
}
