import { useState } from "react";
import { Link } from "react-router";
import type { Lamp } from "../../../api/exposures";
import type { Plate } from "../../../api/plates";
import { useBeginExposure } from "../../../frame/useBeginExposure";
import { useHere } from "../../../frame/useHere";
import { Acknowledge } from "../../../ui/Acknowledge";
import { Button } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { Mark } from "../../../ui/Mark";
import { Trouble } from "../../../ui/Trouble";
import { FilmSeen } from "./FilmSeen";
import type { TypedTimes } from "./Typed";
import type { Film } from "./usePositive";

type Props = {
  plate: Plate;
  by: string | null;
  typed: TypedTimes | null;
  cautions: Lamp["cautions"];
  positive: Film | null;
};

/** Begin to expose the plate: what is known of the lamp and the polymer is asked first. */
export function Begin({ plate, by, typed, cautions, positive }: Props) {
  const { room } = useHere();
  const [asking, ask] = useState(false);
  const begin = useBeginExposure();
  if (plate.light) return positive ? <FilmSeen {...positive} /> : null;
  return (
    <div className="mt-4 grid gap-3">
      {positive ? (
        <FilmSeen {...positive} />
      ) : (
        <Care>
          No film of this plate was made here.{" "}
          <Link
            className="font-semibold underline underline-offset-3"
            to={`/r/${room}/plates/${plate.id}/positive`}
          >
            Make its positive
          </Link>{" "}
          first, or take one that you have.
        </Care>
      )}
      {asking ? (
        <Acknowledge
          cautions={cautions}
          what="to expose"
          onKnown={(acknowledged) =>
            begin.mutate({ plate: plate.id, by_test: by, ...typed, acknowledged })
          }
          onLeave={() => ask(false)}
        />
      ) : (
        <div>
          <Button
            look="strong"
            disabled={(!by && !typed) || begin.isPending}
            onClick={() => ask(true)}
          >
            <Mark name="exposing" /> Begin to expose
          </Button>
        </div>
      )}
      <Trouble error={begin.error} />
    </div>
  );
}
