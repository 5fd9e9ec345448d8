/** Where the bytes of a log and of a picture stand in an archive. */
export const placeOf = {
  log: (id: string) => `logs/${id}.csv`,
  picture: (id: string) => `pictures/${id}.jpg`,
  small: (id: string) => `pictures/${id}.small.jpg`,
};
/** Where a job's book stands in its archive. */
export const BOOK_PLACE = "job.json";
