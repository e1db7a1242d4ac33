/** A row that is typed into, over the controls at the foot. */
export const PANEL =
  "absolute inset-x-0 bottom-37 z-3 flex flex-wrap items-center gap-6 border-t-2 border-night-line bg-night-2 px-8 py-4.5 text-h2 max-desk:bottom-59 max-phone:bottom-51.5 short:bottom-28 flat:right-59 flat:bottom-0 flat:gap-2.5 flat:px-4 flat:py-2.5 max-phone:gap-3 max-phone:px-4 max-phone:py-3 max-phone:text-lead";
