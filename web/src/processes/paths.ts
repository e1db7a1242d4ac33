/** Where the plan of a part is made. */
export const planPath = (room: string, plate: string, part: string) =>
  `/r/${room}/plates/${plate}/plan/${part}`;
