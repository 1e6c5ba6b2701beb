import { SEVERITIES, type Finding, type RuleContext } from "./finding.ts";
import { RULES } from "./rules.ts";

/** All findings, gravest first, in the order of the rules within a severity. */
export function checkJob(context: RuleContext): Finding[] {
  const rank = (f: Finding): number => SEVERITIES.indexOf(f.severity);
  return RULES.flatMap((rule) =>
    rule.check(context).map((found): Finding => ({ ...found, source: rule.source })),
  ).sort((a, b) => rank(a) - rank(b));
}
