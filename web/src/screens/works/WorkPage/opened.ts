/** What is asked about which sheet. */
export type Opened = {
  sheet: string;
  what: "crosses" | "scan" | "tone" | "print" | "spoil" | "sign" | "approve";
} | null;
