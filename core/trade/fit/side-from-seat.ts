export type Steering = "left" | "right";
export type SeatSide = "driver" | "passenger";
export type Side = "left" | "right";

/**
 * A side said from the driver's seat, looking ahead, as left or right of the vehicle, and the other way round: the
 * driver of a left-hand-drive car sits on its left. Throws `RangeError` on any other word.
 */
export function sideFromSeat(side: SeatSide, steering: Steering): Side;
export function sideFromSeat(side: Side, steering: Steering): SeatSide;
export function sideFromSeat(side: SeatSide | Side, steering: Steering): SeatSide | Side {
  if (steering !== "left" && steering !== "right")
    throw new RangeError(`“${steering}” is no side to steer on: left or right is.`);
  if (side === "driver") return steering;
  if (side === "passenger") return steering === "left" ? "right" : "left";
  if (side === "left" || side === "right") return side === steering ? "driver" : "passenger";
  throw new RangeError(`“${side}” is no side: driver, passenger, left or right is.`);
}
