import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { dilute } from "../../../api/calc";
import { NumberField } from "../../../ui/Field";
import { Trouble } from "../../../ui/Trouble";

const PARTS = 20;

/** Ammonia 1:20 by parts, for the amount wanted. */
export function Degreaser() {
  const [amount, setAmount] = useState("200");
  const volume = Number(amount.replace(",", ".")) / 1000;
  const { data, error } = useQuery({
    queryKey: ["calc", "dilute", volume],
    queryFn: () =>
      dilute({ volume_l: volume, parts: { water: PARTS - 1, "household ammonia": 1 } }),
    enabled: volume > 0,
    placeholderData: (before) => before,
    retry: false,
  });
  return (
    <section className="section flex flex-wrap items-end gap-4">
      <NumberField
        label="Ammonia water 1:20"
        unit="mL"
        step={50}
        value={amount}
        onChange={setAmount}
      />
      <p className="m-0" style={{ paddingBottom: 8 }}>
        {data ? data.pour.join(", ") : ""}. <span className="note">One part in twenty.</span>
      </p>
      <Trouble error={error} />
    </section>
  );
}
