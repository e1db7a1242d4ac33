/** Minutes as a hand counts them: "35 min", "1 h 35". */
export function spanWords(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 60) return `${whole} min`;
  const rest = whole % 60;
  return `${Math.floor(whole / 60)} h${rest ? ` ${String(rest).padStart(2, "0")}` : ""}`;
}
