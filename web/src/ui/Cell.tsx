/** A table cell to type into; arrows step a number, Shift ten times. */
export function Cell({
  label,
  value,
  onChange,
  wide,
  placeholder,
  step,
}: {
  label: string;
  value: string;
  onChange: (value: string) => void;
  wide?: boolean;
  placeholder?: string;
  step?: number;
}) {
  return (
    <td style={{ padding: "3px 6px 3px 0" }}>
      <div className="field">
        <input
          aria-label={label}
          value={value}
          placeholder={placeholder}
          inputMode={wide ? "text" : "decimal"}
          onChange={(event) => onChange(event.target.value)}
          onKeyDown={(event) => {
            const way = event.key === "ArrowUp" ? 1 : event.key === "ArrowDown" ? -1 : 0;
            if (!step || way === 0 || value.trim() === "") return;
            event.preventDefault();
            onChange(String(Number(value) + way * step * (event.shiftKey ? 10 : 1)));
          }}
          style={{
            padding: "6px 7px",
            width: wide ? 92 : 52,
            minWidth: 0,
            textAlign: wide ? "left" : "right",
            fontFamily: "var(--num)",
          }}
        />
      </div>
    </td>
  );
}
