/** What each kind of evidence is called. */
export const CHECK_NAMES: Record<string, string> = {
  coupon: "Coupon weighed",
  "check-patch": "Check patch",
  hydrometer: "Hydrometer",
  strip: "Strip",
  lines: "Lines measured",
  thermometer: "Thermometer, metal",
};
