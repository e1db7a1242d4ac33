/** Words one after the other: "gauze, paper and hand". */
export function listed(words: string[]): string {
  if (words.length < 2) return words.join("");
  return `${words.slice(0, -1).join(", ")} and ${words.at(-1)}`;
}
