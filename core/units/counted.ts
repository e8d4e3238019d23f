/**
 * A number of things in words; the plural by its own word where an s does not make it.
 *
 * @example counted(1, 'stick') // '1 stick'
 * @example counted(2, 'person', 'people') // '2 people'
 */
export function counted(count: number, thing: string, things = `${thing}s`): string {
  return `${count} ${count === 1 ? thing : things}`;
}
