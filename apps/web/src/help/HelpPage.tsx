import { NavLink, useParams } from "react-router";
import { STAGES, itemAt } from "@dragonet/core";
import { STAGE_WORDS, stageNumber } from "../job/stages.ts";
import { Button } from "../ui/Button.tsx";
import { useTitle } from "../ui/page/useTitle.ts";
import { topicsOf, type Topic } from "./topics.ts";
import { useTour } from "./tour.ts";

const TOPICS = topicsOf(
  STAGES.map((stage) => [stage, `${stageNumber(stage)} ${STAGE_WORDS[stage]}`]),
);

function TopicText({ topic }: { topic: Topic }) {
  return (
    <article className="max-w-2xl" aria-labelledby="topic">
      <h1 id="topic" className="text-lead">
        {topic.title}
      </h1>
      <p className="mt-1 text-muted">{topic.about}</p>
      <h2 className="mt-5">What is done</h2>
      <ol className="list-decimal pl-6">
        {topic.steps.map((step) => (
          <li key={step} className="mt-1">
            {step}
          </li>
        ))}
      </ol>
      <h2 className="mt-5">What goes wrong</h2>
      <ul className="list-disc pl-6">
        {topic.wrong.map((line) => (
          <li key={line} className="mt-1">
            {line}
          </li>
        ))}
      </ul>
      <h2 className="mt-5">Words</h2>
      <dl className="grid grid-cols-1 sm:grid-cols-[10rem_minmax(0,1fr)]">
        {topic.words.map(([word, meaning]) => (
          <div key={word} className="contents">
            <dt className="border-t border-hair py-1 pr-6 font-bold">{word}</dt>
            <dd className="py-1 sm:border-t sm:border-hair">{meaning}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-5 text-small text-muted">
        Common practice of the trade. Local law, the maker of the vehicle and a qualified person
        have the last word.
      </p>
    </article>
  );
}

/** What is done at each stage, in the trade’s words; it comes with the application and needs no network. */
export function HelpPage() {
  const { topic: id = "shop" } = useParams();
  const topic = TOPICS.find((t) => t.id === id) ?? itemAt(TOPICS, 0);
  const begin = useTour((tour) => tour.begin);
  useTitle(`Help: ${topic.title}`);
  return (
    <div className="mx-auto grid w-full max-w-6xl gap-x-10 gap-y-4 p-4 md:grid-cols-[12rem_minmax(0,1fr)]">
      <nav
        aria-label="Help"
        className="no-print flex gap-x-4 max-md:overflow-x-auto md:flex-col md:border-r md:border-hair"
      >
        {TOPICS.map(({ id: to, title }) => (
          <NavLink
            key={to}
            to={`/help/${to}`}
            className={({ isActive }) =>
              `touch inline-flex items-center py-1 whitespace-nowrap ${isActive || to === topic.id ? "font-bold text-ink" : "text-accent"}`
            }
          >
            {title}
          </NavLink>
        ))}
        <Button
          look="quiet"
          className="px-0 whitespace-nowrap md:mt-4 md:justify-start"
          onPressed={begin}
        >
          Five steps through a job
        </Button>
      </nav>
      <TopicText topic={topic} />
    </div>
  );
}
