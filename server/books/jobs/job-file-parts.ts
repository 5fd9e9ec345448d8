import { IsOptional, ValidateBy } from "class-validator";
import { isMoment } from "../../../core/book/facts/index.ts";
import { isId } from "../../desk/is-id.ts";

const holds = (words: string, isSo: (value: unknown) => boolean): PropertyDecorator =>
  ValidateBy({ name: "holds", validator: { validate: isSo, defaultMessage: () => words } });

const Text = (what: string, most: number, least = 0) =>
  holds(
    `${what} is not a text of ${least} to ${most} letters.`,
    (value) => typeof value === "string" && value.length >= least && value.length <= most,
  );
const Figure = (what: string, least: number, most: number) =>
  holds(
    `${what} is not a figure from ${least} to ${most}.`,
    (value) => typeof value === "number" && value >= least && value <= most,
  );
const Id = (what: string) => holds(`${what} is no id.`, (value) => typeof value === "string" && isId(value));
const Moment = (what: string) => holds(`${what} is no date and time.`, isMoment);

const BASE64 = /^[A-Za-z0-9+/]+={0,2}$/;
/** What a JPEG begins with, in base64. */
const JPEG_BEGINS = "/9j/";
/** 400 kB and 60 kB as base64. */
const MOST_PICTURE_LETTERS = 533_336;
const MOST_SMALL_LETTERS = 80_000;
const MOST_LOG_LETTERS = 70_000_000;

const Jpeg = (most: number) =>
  holds(
    "a picture is none.",
    (value) =>
      typeof value === "string" &&
      value.length <= most &&
      value.startsWith(JPEG_BEGINS) &&
      BASE64.test(value),
  );

/** The job itself; who opened and signed it is told by name in the first format, by id since. */
export class JobPart {
  @Id("the job's id")
  id: string;

  @Figure("the job's number", 1, 1e9)
  number: number;

  @Text("the bay", 40)
  bay: string;

  @Moment("when it was opened")
  openedAt: string;

  @IsOptional()
  @Moment("when it was signed")
  signedAt?: string | null;

  @IsOptional()
  @Text("the reason", 2000)
  signReason?: string | null;
}

export class VehiclePart {
  @Id("the vehicle's id")
  id: string;

  @Text("the plate", 16, 1)
  plate: string;

  @IsOptional()
  @Text("the VIN", 17, 17)
  vin?: string | null;

  @Text("the vehicle's name", 80)
  name: string;

  @IsOptional()
  @Text("the vehicle's use", 80)
  use?: string | null;

  @IsOptional()
  @Figure("the distance", 0, 5_000_000)
  distanceKm?: number | null;
}

export class LogPart {
  @Id("a log's id")
  id: string;

  @Text("a log's name", 200, 1)
  name: string;

  @Figure("a log's rows", 2, 1e8)
  rows: number;

  @Text("a log's sum", 64, 64)
  sha256: string;

  @Moment("when a log was booked")
  bookedAt: string;

  @IsOptional()
  @Id("who booked a log")
  bookedBy?: string;

  /** The log byte for byte, as base64; a file of the first format has none. */
  @IsOptional()
  @Text("a log", MOST_LOG_LETTERS)
  content?: string;
}

/** A picture whose bytes stand beside the file, in its archive. */
export class PicturePart {
  @Id("a picture's id")
  id: string;

  @Figure("a picture's width", 1, 4000)
  width: number;

  @Figure("a picture's height", 1, 4000)
  height: number;

  /** Of the file as it was first handed in. */
  @Text("a picture's sum", 64, 64)
  sha256: string;

  @Moment("when a picture was booked")
  bookedAt: string;

  @Id("who booked a picture")
  bookedBy: string;
}

/** A picture with its bytes in the file: JPEG, as base64. */
export class WholePicturePart extends PicturePart {
  @Jpeg(MOST_PICTURE_LETTERS)
  content: string;

  @Jpeg(MOST_SMALL_LETTERS)
  small: string;
}
