/** Minutes as they are said: 25 min, 2 h, 2 h 10 min. */
export function hoursAndMinutes(minutes: number): string {
  const hours = Math.floor(minutes / 60);
  const rest = Math.round(minutes - hours * 60);
  return [hours > 0 ? `${hours} h` : "", rest > 0 || hours === 0 ? `${rest} min` : ""]
    .filter(Boolean)
    .join(" ");
}
