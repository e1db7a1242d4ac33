import { Link } from "react-router";

/** An address that leads nowhere. */
export function Lost() {
  return (
    <div className="empty" style={{ margin: 24 }}>
      <h2>Nothing here</h2>
      <p>This page is not in your print room, or it could not be drawn.</p>
      <Link className="btn" to="/">
        Go to the bench
      </Link>
    </div>
  );
}
