import { Link, useRouteError } from "react-router";

/** A page that is not there, or that broke: the way back. Within the frame, or without one. */
export function PageTrouble() {
  const error = useRouteError();
  const message = error instanceof Error ? error.message : "There is no such page.";
  return (
    <div className="p-6">
      <h1 className="text-lead">This page cannot be shown</h1>
      <p className="mt-2">{message}</p>
      <p className="mt-4">
        <Link to="/" className="text-accent underline">
          Back to the board
        </Link>
      </p>
    </div>
  );
}
