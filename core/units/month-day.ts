/** True for an existing month and day written MM-DD. */
export function isMonthDay(text: string): boolean {
  const [, month, day] = /^(\d{2})-(\d{2})$/.exec(text) ?? [];
  return (
    month !== undefined &&
    Number(month) >= 1 &&
    Number(month) <= 12 &&
    Number(day) >= 1 &&
    Number(day) <= [31, 29, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31][Number(month) - 1]!
  );
}
