import { useEffect, useRef, type ReactNode } from "react";
import { NavLink, useMatch, useResolvedPath } from "react-router";

/** One of the pages of a part; where they do not fit beside each other the open one is in sight. */
export function Tab({ to, children }: { to: string; children: ReactNode }) {
  const link = useRef<HTMLAnchorElement>(null);
  const open = useMatch({ path: useResolvedPath(to).pathname, end: false }) !== null;
  useEffect(() => {
    if (open) link.current?.scrollIntoView({ block: "nearest", inline: "center" });
  }, [open]);
  return (
    <NavLink
      ref={link}
      to={to}
      className={`touch inline-flex shrink-0 items-center gap-1 border-b-2 px-1 py-1.5 whitespace-nowrap ${open ? "border-accent font-bold text-ink" : "border-transparent text-accent"}`}
    >
      {children}
    </NavLink>
  );
}
