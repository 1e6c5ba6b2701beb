import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import type { OwnSessionAnswer } from "@dragonet/contract";
import { ask } from "../../base/api.ts";
import { Button } from "../../ui/Button.tsx";
import { Section } from "../../ui/page/Section.tsx";
import { Loading, Trouble } from "../../ui/page/states.tsx";
import { MOMENT } from "../../ui/moments.ts";
import { OwnPassword } from "./OwnPassword.tsx";
import { SignInCode } from "./SignInCode.tsx";

/** What a browser calls itself, in a word or two. */
const deviceOf = (agent: string): string => {
  const [, system = agent.slice(0, 40)] = /\(([^;)]+)/.exec(agent) ?? [];
  return system === "" ? "unknown device" : system;
};

/** Where one is signed in, the way out of any of it, and one's own password. */
export function OwnSessions() {
  const queries = useQueryClient();
  const { data, error } = useQuery({
    queryKey: ["sessions"],
    queryFn: () => ask<OwnSessionAnswer[]>("session/mine"),
  });
  const end = useMutation({
    mutationFn: (id: string) => ask(`session/mine/${id}`, "DELETE"),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["sessions"] }),
  });
  return (
    <Section title="Signed in" about="Where you are signed in. End what you do not know.">
      {error && <Trouble error={error} />}
      {end.error && <Trouble error={end.error} />}
      {!data && !error && <Loading what="sessions" />}
      <ul>
        {(data ?? []).map((s) => (
          <li key={s.id} className="flex flex-wrap items-center gap-3 border-b border-hair py-1">
            <span className="mr-auto">
              {deviceOf(s.agent)}
              <span className="block text-small text-muted">
                from {s.address}, last used {MOMENT.format(new Date(s.seenAt))}
              </span>
            </span>
            {s.current ? (
              <span className="text-muted">this one</span>
            ) : (
              <Button look="quiet" disabled={end.isPending} onClick={() => end.mutate(s.id)}>
                End
              </Button>
            )}
          </li>
        ))}
      </ul>
      <SignInCode />
      <OwnPassword />
    </Section>
  );
}
