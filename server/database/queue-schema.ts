/** The queue's own tables stand beside the books, and in no backup. */
export const QUEUE_SCHEMA = "chores";
