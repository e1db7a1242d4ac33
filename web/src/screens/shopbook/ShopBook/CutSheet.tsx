import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { cutSheet } from "../../../api/calc";
import type { Shapes } from "../../../api/client";
import { newId } from "../../../device/ids";
import { Cell } from "../../../ui/Cell";
import { NumberField } from "../../../ui/Field";
import { Trouble } from "../../../ui/Trouble";

type Layout = Omit<Shapes["CutSheetOutput"], "largest_rest_mm"> & { largest_rest_mm: number[] };
const FIRST = [
  ["Lantern", "200", "150", "3"],
  ["Small square", "100", "100", "4"],
];
const number = (text: string) => Number(text.replace(",", "."));

/** Cut plates out of a sheet: layout, cuts in order, waste and how much less is possible. */
export function CutSheet() {
  const [sheet, setSheet] = useState({ width: "600", height: "500", saw: "0" });
  const [rows, setRows] = useState(() =>
    FIRST.map(([name = "", width = "", height = "", count = ""]) => ({
      key: newId(),
      name,
      width,
      height,
      count,
    })),
  );
  const ask = useMutation({
    mutationFn: () =>
      cutSheet({
        sheet_width_mm: number(sheet.width),
        sheet_height_mm: number(sheet.height),
        allowance_mm: number(sheet.saw),
        pieces: rows.map((row) => ({
          name: row.name,
          width_mm: number(row.width),
          height_mm: number(row.height),
          count: number(row.count),
          may_turn: true,
        })),
      }),
  });
  const change = (key: string, part: Partial<(typeof rows)[number]>) =>
    setRows(rows.map((row) => (row.key === key ? { ...row, ...part } : row)));
  return (
    <div className="two cut">
      <div>
        {ask.data ? (
          <Drawn layout={ask.data} width={number(sheet.width)} height={number(sheet.height)} />
        ) : (
          <div className="empty">
            <h2>No layout yet</h2>
            <p>Say the sheet and the plates; the cuts go from edge to edge. A moment.</p>
          </div>
        )}
      </div>
      <aside>
        <div className="flex flex-wrap gap-3">
          <NumberField
            label="Sheet, wide"
            unit="mm"
            step={10}
            value={sheet.width}
            onChange={(width) => setSheet({ ...sheet, width })}
          />
          <NumberField
            label="high"
            unit="mm"
            step={10}
            value={sheet.height}
            onChange={(height) => setSheet({ ...sheet, height })}
          />
          <NumberField
            label="Saw takes"
            unit="mm"
            step={0.5}
            value={sheet.saw}
            onChange={(saw) => setSheet({ ...sheet, saw })}
            hint="A shear takes nothing."
          />
        </div>
        <table className="tight" style={{ marginTop: 12 }}>
          <thead>
            <tr>
              <th>Plate</th>
              <th>Wide mm</th>
              <th>High mm</th>
              <th>How many</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row, i) => (
              <tr key={row.key}>
                <Cell
                  label={`Name of plate ${i + 1}`}
                  wide
                  value={row.name}
                  onChange={(name) => change(row.key, { name })}
                />
                <Cell
                  label={`Plate ${i + 1}, wide`}
                  step={5}
                  value={row.width}
                  onChange={(width) => change(row.key, { width })}
                />
                <Cell
                  label={`Plate ${i + 1}, high`}
                  step={5}
                  value={row.height}
                  onChange={(height) => change(row.key, { height })}
                />
                <Cell
                  label={`Plate ${i + 1}, how many`}
                  step={1}
                  value={row.count}
                  onChange={(count) => change(row.key, { count })}
                />
              </tr>
            ))}
          </tbody>
        </table>
        <button
          type="button"
          className="btn quiet"
          onClick={() =>
            setRows([
              ...rows,
              {
                key: newId(),
                name: `Plate ${rows.length + 1}`,
                width: "100",
                height: "100",
                count: "1",
              },
            ])
          }
        >
          Add a plate
        </button>
        <div className="flex flex-wrap gap-3" style={{ margin: "10px 0" }}>
          <button type="button" className="btn strong" onClick={() => ask.mutate()}>
            Lay it out
          </button>
          {ask.data ? (
            <button type="button" className="btn" onClick={() => window.print()}>
              Print the cut list
            </button>
          ) : null}
        </div>
        <Trouble error={ask.error} />
      </aside>
    </div>
  );
}

function Drawn({ layout, width, height }: { layout: Layout; width: number; height: number }) {
  const size = Math.max(width, height) / 38;
  return (
    <>
      <p style={{ margin: "0 0 8px" }}>
        Waste <b className="n">{layout.waste_cm2.toFixed(0)}</b> cm².{" "}
        {layout.optimal
          ? "No layout of straight cuts wastes less."
          : `None can waste less than ${layout.waste_bound_cm2.toFixed(0)} cm².`}{" "}
        <b className="n">{layout.cuts.length}</b> cuts.
        {layout.left_out.length > 0 ? (
          <b> Left out: {layout.left_out.join(", ")}.</b>
        ) : (
          ` The largest rest is ${layout.largest_rest_mm.map((side) => side.toFixed(0)).join(" × ")} mm.`
        )}
      </p>
      <svg
        viewBox={`-2 -2 ${width + 4} ${height + 4}`}
        style={{ width: "100%", maxHeight: 460 }}
        role="img"
        aria-label="Layout of the sheet"
      >
        <rect
          width={width}
          height={height}
          fill="#E7DECD"
          stroke="#1B1714"
          strokeWidth={width / 300}
        />
        {layout.placed.map((piece) => (
          <g key={`${piece.name} ${piece.x_mm} ${piece.y_mm}`}>
            <rect
              x={piece.x_mm}
              y={piece.y_mm}
              width={piece.width_mm}
              height={piece.height_mm}
              fill="#FAF6EC"
              stroke="#1B1714"
              strokeWidth={width / 400}
            />
            <text
              x={piece.x_mm + piece.width_mm / 2}
              y={piece.y_mm + piece.height_mm / 2}
              fontSize={Math.min(size, (piece.width_mm * 1.6) / Math.max(6, piece.name.length))}
              textAnchor="middle"
              fontWeight="600"
            >
              {piece.name}
            </text>
            <text
              className="n"
              x={piece.x_mm + piece.width_mm / 2}
              y={piece.y_mm + piece.height_mm / 2 + size * 1.15}
              fontSize={size * 0.9}
              textAnchor="middle"
            >
              {piece.width_mm} × {piece.height_mm}
            </text>
          </g>
        ))}
        {layout.cuts.map((cut) => {
          const across = cut.along === "across";
          const [x1, y1] = across ? [cut.from_mm, cut.at_mm] : [cut.at_mm, cut.from_mm];
          const [x2, y2] = across ? [cut.to_mm, cut.at_mm] : [cut.at_mm, cut.to_mm];
          return (
            <g key={cut.number}>
              <path
                d={`M${x1} ${y1}L${x2} ${y2}`}
                stroke="#85431D"
                strokeWidth={width / 200}
                strokeDasharray={`${width / 60} ${width / 120}`}
              />
              <circle cx={(x1 + x2) / 2} cy={(y1 + y2) / 2} r={size * 0.8} fill="#85431D" />
              <text
                className="n"
                x={(x1 + x2) / 2}
                y={(y1 + y2) / 2 + size * 0.33}
                fontSize={size * 0.9}
                fontWeight="700"
                textAnchor="middle"
                style={{ fill: "#FAF6EC" }}
              >
                {cut.number}
              </text>
            </g>
          );
        })}
      </svg>
      <ol className="note numbered" style={{ columns: 2, margin: "8px 0" }}>
        {layout.cuts.map((cut) => (
          <li key={cut.number}>
            {cut.along === "across"
              ? `across at ${cut.at_mm} mm from the top`
              : `down at ${cut.at_mm} mm from the left`}
            , {cut.from_mm} to {cut.to_mm} mm
          </li>
        ))}
      </ol>
    </>
  );
}
