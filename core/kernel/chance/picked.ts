/** One of a list, as often as its weight says. The list holds one at least. */
export function picked<Item>(
  random: () => number,
  items: readonly Item[],
  weightOf: (item: Item) => number,
): Item {
  let left = random() * items.reduce((sum, item) => sum + weightOf(item), 0);
  const found = items.find((item) => {
    left -= weightOf(item);
    return left <= 0;
  });
  return (found ?? items.at(-1)) as Item;
}
