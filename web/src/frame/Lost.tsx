import { useEffect } from "react";
import { useLocation, useNavigate } from "react-router";
import { Button, ButtonLink } from "../ui/Button";
import { Empty } from "../ui/Section";

/** An address that leads nowhere. */
export function Lost() {
  return (
    <div className="m-6">
      <Empty title="Nothing here">
        <p>This page is not in your print room, or it could not be drawn.</p>
        <ButtonLink to="/">Go to the bench</ButtonLink>
      </Empty>
    </div>
  );
}

/** A screen that could not be fetched or drawn; what stands round it stays. */
export function Failed({ said }: { said: () => void }) {
  const navigate = useNavigate();
  const here = useLocation();
  useEffect(said, [said]);
  return (
    <div role="alert" className="my-3">
      <Empty title="This page could not be opened">
        <p>
          There is no line to fetch it by, or it failed while it was drawn. What you typed on other
          pages is kept.
        </p>
        <Button look="strong" onClick={() => navigate(here, { replace: true })}>
          Try again
        </Button>
      </Empty>
    </div>
  );
}
