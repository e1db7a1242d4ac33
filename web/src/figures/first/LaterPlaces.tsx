const PLACES = [
  ["Hot plate", "with the first ground", "M2 66h84M10 66v-12h68v12M18 54l6-14h40l6 14"],
  [
    "Dust box",
    "with the first aquatint",
    "M14 2h64v52H14zM22 66V54h48v12M28 54l4-10h28l4 10M2 66h84",
  ],
  [
    "Press",
    "with the first proof",
    "M12 6v60M76 6v60M2 40h84M44 6a16 16 0 1 1 0 32a16 16 0 1 1 0-32M44 44a8 8 0 1 1 0 16a8 8 0 1 1 0-16M2 66h84",
  ],
  [
    "Lamp",
    "with the first photopolymer",
    "M44 0v10M32 10h24l14 24H18zM32 38v20M44 38v20M56 38v20M14 66V58h60v8M2 66h84",
  ],
  ["Drying line", "with the first proof", "M2 10q42 14 84 0M24 14h40v40H24zM32 22h24v24H32z"],
] as const;

/** What a print room has by and by: dashed until a plate asks for it. */
export function LaterPlaces() {
  return (
    <ul className="flex flex-wrap gap-x-8 gap-y-4 border-b-[1.5px] border-dashed border-ink-3 pb-1.5 max-phone:border-b-0">
      {PLACES.map(([name, when, path]) => (
        <li key={name} className="flex min-w-42 flex-1 items-end gap-3">
          <svg className="flex-none" width="88" height="68" aria-hidden="true">
            <path
              d={path}
              className="fill-none stroke-ink-3"
              strokeDasharray="4 3"
              strokeWidth="1.4"
            />
          </svg>
          <span>
            <b className="block font-slab text-body font-medium">{name}</b>
            <span className="note">{when}</span>
          </span>
        </li>
      ))}
    </ul>
  );
}
