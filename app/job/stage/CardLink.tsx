import { Link } from "react-router";

/** Leads to where a vehicle's cooling card is written. */
export const CardLink = ({ vehicleId }: { vehicleId: string }) => (
  <Link
    className="inline-flex min-h-11 items-center font-bold underline underline-offset-4"
    to={`/vehicles/${vehicleId}/card`}
  >
    Write the card
  </Link>
);
