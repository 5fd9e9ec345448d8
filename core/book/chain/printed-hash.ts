const GROUP = /.{4}/g;
/** 64 of 256 bits: too many for anybody to find another line that has the same. */
const DIGITS = 16;

/** A hash as a report prints it, in groups that can be read out: “3f2a 91c0 77de 04b1”. Takes hexadecimal digits. */
export const printedHash = (hash: string): string => (hash.slice(0, DIGITS).match(GROUP) ?? []).join(" ");
