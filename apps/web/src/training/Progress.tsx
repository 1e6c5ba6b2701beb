import { progressOf, type TopicProgress } from "@dragonet/core";
import { dayText } from "../base/moment.ts";
import { useCurrentUser } from "../base/session.ts";
import { DataTable, right } from "../ui/DataTable.tsx";
import { Section } from "../ui/page/Section.tsx";
import { Trouble } from "../ui/page/states.tsx";
import { useEverybody, useResults } from "./training.ts";
import { topicWords } from "./words.ts";

/** What is mixed up most stands first. */
const byNeed = (a: TopicProgress, b: TopicProgress): number => a.box - b.box || b.wrong - a.wrong;

function Topics({ topics, label }: { topics: readonly TopicProgress[]; label: string }) {
  return (
    <DataTable label={label} heads={["Topic", right("Right"), right("Wrong"), "Asked again"]}>
      {topics.toSorted(byNeed).map((t) => (
        <tr key={t.topic} className="border-t border-hair">
          <td>{topicWords(t.topic)}</td>
          <td className="num text-right">{t.right}</td>
          <td className="num text-right">{t.wrong}</td>
          <td>{t.box === 0 ? "soon" : `from ${dayText(new Date(t.due))}`}</td>
        </tr>
      ))}
    </DataTable>
  );
}

function Everybody() {
  const { data, error, refetch } = useEverybody();
  if (error) return <Trouble error={error} onRetry={() => void refetch()} />;
  if (!data || data.length === 0) return <p className="text-muted">Nobody has trained yet.</p>;
  return (
    <ul>
      {data.map((person) => (
        <li key={person.id} className="border-t border-hair py-2 first:border-t-0">
          <b>{person.name}</b>{" "}
          <span className="text-muted">
            {person.results} answers and faults
            {person.meanScore === null ? "" : `, ${person.meanScore} of 100 on hidden faults`}, last{" "}
            {dayText(new Date(person.lastAt))}
          </span>
          <Topics topics={person.topics} label={`Topics of ${person.name}`} />
        </li>
      ))}
    </ul>
  );
}

/** How far one is by topic; the owner sees everybody. */
export function Progress() {
  const { role } = useCurrentUser();
  const { data } = useResults();
  const topics = progressOf(data ?? []);
  return (
    <>
      <Section
        title="How far you are"
        about="What was wrong last is asked again at once; what is right waits longer each time."
      >
        {topics.length === 0 ? (
          <p className="text-muted">Nothing yet: find a fault, or answer a question.</p>
        ) : (
          <Topics topics={topics} label="Your topics" />
        )}
      </Section>
      {role === "owner" && (
        <Section title="Everybody">
          <Everybody />
        </Section>
      )}
    </>
  );
}
