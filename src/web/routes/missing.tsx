import { Link } from "react-router";
import { Empty } from "../ui/State";

export default function Missing() {
  return (
    <Empty title="There is no such view">
      <p className="mb-3">The address may be old or mistyped.</p>
      <Link to="/" className="btn">
        To the squad
      </Link>
    </Empty>
  );
}
