export interface RefusalDetail {
  /** What is wrong and what to do instead: one or two plain sentences. */
  message: string;
  /** HTTP status, 400 to 499; 503 where it may be asked again later. */
  status?: number;
  /** Seconds after which it may be asked again: then it is a later and no no. */
  againInS?: number;
  /** True where nothing can be had just now, and not only this. */
  isDown?: boolean;
  /** Messages by field name, shown beside the field. */
  fields?: Record<string, string>;
}

/** The one way to say no: becomes a 4xx answer. Anything else that is thrown is a fault. */
export class Refusal extends Error {
  readonly status: number;
  readonly fields: Record<string, string>;
  readonly againInS: number | undefined;
  readonly isDown: boolean;

  constructor({ message, status = 422, fields = {}, againInS, isDown = false }: RefusalDetail) {
    super(message);
    this.name = "Refusal";
    this.status = status;
    this.fields = fields;
    this.againInS = againInS;
    this.isDown = isDown;
  }
}

export const notFound = (what: string) =>
  new Refusal({ status: 404, message: `${what} is not in this shop's books.` });
