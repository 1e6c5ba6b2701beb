import type { ReactNode } from "react";
import { Link, useLocation, useSearchParams } from "react-router";

interface TurnsProps {
  /** What the list is of: "jobs". */
  readonly what: string;
  /** Where those come that are next; "" at the end. */
  readonly next: string;
}

/** Leads on in a list that is told some at a time, and back to its beginning; nothing where all of it is told. */
export function Turns({ what, next }: TurnsProps) {
  const { pathname } = useLocation();
  const [params] = useSearchParams();
  const begun = params.has("after");
  if (!begun && next === "") return null;
  const at = (to: string): string => {
    const there = new URLSearchParams(params);
    if (to === "") there.delete("after");
    else there.set("after", to);
    return `${pathname}?${there.toString()}`;
  };
  const turn = (to: string, words: ReactNode) => (
    <Link to={at(to)} className="touch inline-flex items-center text-accent underline">
      {words}
    </Link>
  );
  return (
    <nav aria-label={`More ${what}`} className="mt-2 flex gap-6">
      {begun && turn("", "From the first")}
      {next !== "" && turn(next, "Next ones")}
    </nav>
  );
}
