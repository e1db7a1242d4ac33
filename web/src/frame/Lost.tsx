import { ButtonLink } from "../ui/Button";
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
