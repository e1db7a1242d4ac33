/** The marks: always beside their word. */
const PATHS = {
  bath: '<path d="M2.5 4V20.5H21.5V4" fill="none" stroke="currentColor" stroke-width="2"/><path d="M4 9.5q2-2.6 4 0t4 0 4 0 4 0" fill="none" stroke="currentColor" stroke-width="1.7"/><path d="M6 14.5H18L19 17.5H5Z" fill="currentColor"/>',
  lifted:
    '<path d="M2.5 9V20.5H21.5V9" fill="none" stroke="currentColor" stroke-width="2"/><path d="M4 14.5q2-2.6 4 0t4 0 4 0 4 0" fill="none" stroke="currentColor" stroke-width="1.7"/><path d="M6 2.5H18L19 5.5H5Z" fill="currentColor"/>',
  ground:
    '<path d="M3 17.5H21L22.5 21H1.5Z" fill="currentColor"/><path d="M6 14c-2.5-3 2.5-4.5 0-8M12 14c-2.5-3 2.5-4.5 0-8M18 14c-2.5-3 2.5-4.5 0-8" fill="none" stroke="currentColor" stroke-width="1.9"/>',
  proof:
    '<path d="M1 4.5Q12 8 23 4.5" fill="none" stroke="currentColor" stroke-width="1.6"/><path d="M5.5 7H18.5V21.5H5.5Z" fill="none" stroke="currentColor" stroke-width="1.9"/><path d="M8.7 11.5H15.3V17H8.7Z" fill="currentColor"/><path d="M11 2.5h2v6h-2z" fill="currentColor"/>',
  resting:
    '<path d="M5 11H19L21.5 15H2.5Z" fill="currentColor"/><path d="M1 18.5H23" stroke="currentColor" stroke-width="1.8"/>',
  drawing:
    '<path d="M3.5 20.5 13.5 8.5 16 11 4 21Z" fill="currentColor"/><path d="M14.5 7.5 19 2.5 22 5.5 17 10Z" fill="none" stroke="currentColor" stroke-width="1.8"/><path d="M6.5 22H22" stroke="currentColor" stroke-width="1.6"/>',
  rosin:
    '<path d="M3 18H21L22.5 21.5H1.5Z" fill="currentColor"/><g fill="currentColor"><circle cx="6" cy="4" r="1.4"/><circle cx="11" cy="7.5" r="1.4"/><circle cx="17" cy="3.5" r="1.4"/><circle cx="19" cy="9.5" r="1.4"/><circle cx="5.5" cy="11" r="1.4"/><circle cx="13" cy="13" r="1.4"/></g>',
  edition:
    '<path d="M7 3H21V15" fill="none" stroke="currentColor" stroke-width="1.6"/><path d="M5 6H18V18.5" fill="none" stroke="currentColor" stroke-width="1.6"/><path d="M2.5 9H15V21.5H2.5Z" fill="none" stroke="currentColor" stroke-width="1.9"/><path d="M5.5 12.5h6.5v5h-6.5z" fill="currentColor"/>',
  exposing:
    '<path d="M3 17.5H21V21H3Z" fill="currentColor"/><path d="M12 13V2M7 13 4 4M17 13 20 4" stroke="currentColor" stroke-width="2" fill="none"/>',
  drying:
    '<path d="M12 2C16 8 19 11.5 19 15.5A7 7 0 015 15.5C5 11.5 8 8 12 2Z" fill="none" stroke="currentColor" stroke-width="2"/>',
  feather:
    '<path d="M3 21.5C6 15 10 9 21.5 2.5 21.5 10 17.5 15.5 9 16.5L5 22Z" fill="currentColor"/><path d="M5.5 18.5C9 13.5 13 10 17.5 6.5" stroke="var(--cut,var(--color-white))" stroke-width="1.3" fill="none"/>',
  rock: '<path d="M2 15Q12 23 22 15" fill="none" stroke="currentColor" stroke-width="2.2"/><path d="M5 9H19L21 14H3Z" fill="currentColor"/><path d="M7 6 4 3M17 6 20 3" stroke="currentColor" stroke-width="2"/>',
  lift: '<path d="M12 1.5 18.5 9H14.2V14.5H9.8V9H5.5Z" fill="currentColor"/><path d="M2 18.5q2.5-2.8 5 0t5 0 5 0 5 0" fill="none" stroke="currentColor" stroke-width="2.2"/>',
  dip: '<path d="M12 22.5 18.5 15H14.2V9.5H9.8V15H5.5Z" fill="currentColor"/><path d="M2 5.5q2.5-2.8 5 0t5 0 5 0 5 0" fill="none" stroke="currentColor" stroke-width="2.2"/>',
  brush:
    '<path d="M14 10 21 2.5" stroke="currentColor" stroke-width="2.6"/><path d="M11 9.5 14.8 13.3 8 20.5Q5 22.5 1.5 21.5 4 19.5 4.5 16.5Z" fill="currentColor"/>',
  burnish:
    '<path d="M21.5 2.5 12 12" stroke="currentColor" stroke-width="3.4" stroke-linecap="round"/><path d="M12.5 11.5C9 13 7.5 16.5 3 19.5 7 20.5 12 18.5 13.8 13Z" fill="currentColor"/><path d="M2 22H15" stroke="currentColor" stroke-width="1.7"/>',
  leave: '<path d="M4 9H20M4 15.5H20" stroke="currentColor" stroke-width="3"/>',
  danger:
    '<path d="M12 1.5 23.2 21.5H.8Z" fill="currentColor"/><path d="M12 8V15" stroke="var(--cut,var(--color-white))" stroke-width="2.6"/><circle cx="12" cy="18.4" r="1.5" fill="var(--cut,var(--color-white))"/>',
  care: '<path d="M12 1 23 12 12 23 1 12Z" fill="none" stroke="currentColor" stroke-width="2.2"/><path d="M12 6.5V13.5" stroke="currentColor" stroke-width="2.4"/><circle cx="12" cy="16.8" r="1.5" fill="currentColor"/>',
  done: '<path d="M3 12.5 9.5 19 21.5 4.5" fill="none" stroke="currentColor" stroke-width="3"/>',
  heat: '<path d="M9.5 13.5V4.5a2.5 2.5 0 015 0V13.5a5 5 0 11-5 0Z" fill="none" stroke="currentColor" stroke-width="1.9"/><circle cx="12" cy="17.5" r="2.5" fill="currentColor"/><path d="M12 17V8" stroke="currentColor" stroke-width="2"/>',
  press:
    '<circle cx="12" cy="7.5" r="5.5" fill="none" stroke="currentColor" stroke-width="2.2"/><circle cx="12" cy="7.5" r="1.8" fill="currentColor"/><path d="M1.5 15.5h21" stroke="currentColor" stroke-width="2.6"/><path d="M5 20.5h14" stroke="currentColor" stroke-width="2"/>',
  hand: '<path d="M7 12V5.5a1.5 1.5 0 013 0V11m0-1V4a1.5 1.5 0 013 0v7m0-6a1.5 1.5 0 013 0v7m0-4a1.5 1.5 0 013 0v7c0 4-2.5 6.5-6 6.5-4 0-6-2-8-6L4 13.5a1.5 1.5 0 012.5-1.5L7 12.5" fill="none" stroke="currentColor" stroke-width="1.7" stroke-linecap="round" stroke-linejoin="round"/>',
  ink: '<path d="M4 20.5h16" stroke="currentColor" stroke-width="2"/><path d="M9 17V9h6v8zM10.5 9V3h3v6" fill="none" stroke="currentColor" stroke-width="1.9"/><path d="M9 13h6v4H9z" fill="currentColor"/>',
  plus: '<path d="M12 4V20M4 12H20" stroke="currentColor" stroke-width="2.4"/>',
} as const;

export type MarkName = keyof typeof PATHS;

export function Mark({ name, size }: { name: MarkName; size?: number }) {
  return (
    <svg
      viewBox="0 0 24 24"
      width={size}
      height={size}
      aria-hidden="true"
      // biome-ignore lint/security/noDangerouslySetInnerHtml: constant shapes of this file
      dangerouslySetInnerHTML={{ __html: PATHS[name] }}
    />
  );
}

export function placeMark(place: string, inBath: boolean): MarkName {
  if (place === "bath") return inBath ? "bath" : "lifted";
  return place in PATHS ? (place as MarkName) : "resting";
}
