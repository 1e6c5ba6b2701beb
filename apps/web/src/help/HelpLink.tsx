import { CircleHelp } from "lucide-react";
import { Link, useLocation } from "react-router";
import { STAGES } from "@dragonet/core";

/** To what is told of the stage that is looked at, or of the shop. */
export function HelpLink() {
  const at = useLocation().pathname.split("/")[3];
  const topic = STAGES.find((stage) => stage === at) ?? "shop";
  return (
    <Link
      to={`/help/${topic}`}
      aria-label="Help"
      title="Help"
      className="touch inline-flex items-center justify-center text-accent"
    >
      <CircleHelp size={17} aria-hidden />
    </Link>
  );
}
