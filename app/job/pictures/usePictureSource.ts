import { useEffect, useMemo } from "react";
import { useOutboxLines } from "../../outbox/OutboxProvider.tsx";
import { useJob } from "../stage/context.ts";

/** Where a picture is drawn from: this browser while the server hasn't got it, the server after that. */
export function usePictureSource(pictureId: string, size: "large" | "small"): string {
  const { page } = useJob();
  const { unsent, booked } = useOutboxLines();
  const parcel = [...unsent, ...booked].find(({ entry }) => entry.id === pictureId)?.parcel;
  const bytes = parcel?.kind === "picture" ? parcel.bytes : undefined;
  const own = useMemo(
    () => (bytes ? URL.createObjectURL(new Blob([bytes], { type: "image/jpeg" })) : undefined),
    [bytes],
  );
  useEffect(() => () => void (own && URL.revokeObjectURL(own)), [own]);
  return own ?? `/jobs/${page.job.id}/pictures/${pictureId}/${size}.jpg`;
}
