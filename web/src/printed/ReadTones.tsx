import type { ReactNode } from "react";
import { AreaName } from "../figures/AreaName";
import { NumberField } from "../ui/form/Fields";
import type { Form } from "../ui/form/useForm";
import { Digits, Table } from "../ui/Table";

export type ToneRow = { name: string; parts: string; wanted: ReactNode };
type Props = { rows: ToneRow[]; form: Form; children?: ReactNode };

/** Tones read off the proof by hand, beside those that were wanted. */
export function ReadTones({ rows, form, children }: Props) {
  if (rows.length === 0)
    return <p>No tones were planned on this plate, so there is nothing to read them against.</p>;
  return (
    <div>
      <h3>Tones read dry</h3>
      <p className="note mt-0.5 mb-2">
        The bare sheet outside the plate mark is 100. Leave out what you did not read.
      </p>
      {children}
      <Table
        columns={[
          { head: "Area" },
          { head: "Wanted", right: true },
          { head: "Read, L*", right: true },
        ]}
      >
        {rows.map((area, i) => (
          <tr key={area.name}>
            <td>
              <AreaName name={area.name} parts={area.parts} place={i} />
            </td>
            <Digits>{area.wanted}</Digits>
            <td>
              <div className="ml-auto w-30">
                <NumberField
                  form={form}
                  name={`tones.${i}.read_lstar`}
                  label={`${area.name}, L* read`}
                  bare
                />
              </div>
            </td>
          </tr>
        ))}
      </Table>
    </div>
  );
}
