import { Link, useRouteError } from "react-router";

/** The last resort of a view that broke: the rest of the application goes on. */
export function Crash() {
  const error = useRouteError();
  return (
    <main className="grid h-full place-items-center p-8" role="alert">
      <div className="max-w-md">
        <h1 className="mb-1 text-title font-semibold">This view could not be drawn</h1>
        <p className="mb-3 text-ink2">What is stored is untouched. {error instanceof Error ? error.message : ""}</p>
        <Link to="/" className="btn" reloadDocument>
          Back to the squad
        </Link>
      </div>
    </main>
  );
}
