/** @example minutesWords(75) // '1 h 15 min' */
export function minutesWords(minutes: number): string {
  const whole = Math.max(1, Math.round(minutes));
  const [hours, rest] = [Math.floor(whole / 60), whole % 60];
  if (hours === 0) return `${rest} min`;
  return rest === 0 ? `${hours} h` : `${hours} h ${rest} min`;
}
