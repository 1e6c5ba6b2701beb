import { Link } from "react-router";
import {
  TASK_WORDS,
  decimal,
  meansOf,
  moneyText,
  notOffered,
  setIn,
  append,
  type OptionResult,
  type Quote,
  type Suggested,
} from "@dragonet/core";
import { mint } from "../base/mint.ts";
import { useCanEdit } from "../base/session.ts";
import { useEdit, useJob } from "../job/store/jobStore.ts";
import { Button } from "../ui/Button.tsx";
import { Choice } from "../ui/forms/Choice.tsx";
import { RemoveButton } from "../ui/RemoveButton.tsx";
import { Section } from "../ui/page/Section.tsx";
import { TextInput } from "../ui/forms/TextInput.tsx";
import type { HandingOver } from "../worker/handingOver.ts";

function Lines({ quote }: { quote: Quote }) {
  const money = (minor: number | null): string =>
    minor === null ? "no price" : moneyText(minor, quote.currency);
  return (
    <details className="my-2">
      <summary className="touch cursor-pointer text-accent">
        {quote.parts.length} lines of parts, {quote.work.length} of work
      </summary>
      <div className="overflow-x-auto" role="region" aria-label="Lines of the quote" tabIndex={0}>
        <table className="w-full">
          <thead>
            <tr className="text-left text-small text-muted">
              <th scope="col">What</th>
              <th scope="col" className="text-right">
                How much
              </th>
              <th scope="col" className="text-right max-sm:hidden">
                Each
              </th>
              <th scope="col" className="text-right">
                Net
              </th>
            </tr>
          </thead>
          <tbody>
            {quote.parts.map((line) => (
              <tr key={line.name} className="border-t border-hair">
                <td>{line.name}</td>
                <td className="num text-right">
                  {decimal(line.count, 2)}
                  {line.unit === "" ? "" : ` ${line.unit}`}
                </td>
                <td className="num text-right whitespace-nowrap max-sm:hidden">
                  {money(line.eachMinor)}
                </td>
                <td className="num text-right whitespace-nowrap">{money(line.netMinor)}</td>
              </tr>
            ))}
            {quote.work.map((line) => (
              <tr key={line.task} className="border-t border-hair">
                <td>
                  {TASK_WORDS[line.task]} <span className="text-muted">{line.of}</span>
                </td>
                <td className="num text-right whitespace-nowrap">
                  {Math.round(line.minutes.low)}–{Math.round(line.minutes.high)} min
                </td>
                <td className="max-sm:hidden" />
                <td className="num text-right whitespace-nowrap">{money(line.netMinor)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </details>
  );
}

function Total({ quote }: { quote: Quote }) {
  const money = (minor: number): string => moneyText(minor, quote.currency);
  return (
    <p className="flex flex-wrap items-baseline gap-x-4">
      <b className="num text-lead">{money(quote.total.grossMinor)}</b>
      <span>
        {money(quote.total.netMinor)} and {decimal(100 * quote.taxShare)} % tax,{" "}
        {money(quote.total.taxMinor)}
      </span>
      <span className="text-muted">
        {money(quote.low.grossMinor)} to {money(quote.high.grossMinor)} by how long the work takes
      </span>
    </p>
  );
}

function OptionLine({ result }: { result: OptionResult }) {
  const edit = useEdit();
  const canEdit = useCanEdit();
  const { option } = result;
  const why = notOffered(result);
  return (
    <li className="flex flex-wrap items-baseline gap-x-4 gap-y-1 border-t border-hair py-2">
      {canEdit ? (
        <TextInput
          label={`Name of the option ${option.name}`}
          value={option.name}
          maxLength={120}
          className="w-72 font-bold"
          onCommit={(name) => edit([setIn("option", option.id, "name", name)])}
        />
      ) : (
        <b>{option.name}</b>
      )}
      <span className="min-w-48 flex-1">
        {result.kind === "worked" && meansOf(result).join("; ")}
        {why !== "" && <b> Not offered: {why}.</b>}
      </span>
      {canEdit && (
        <>
          {result.kind === "worked" && (
            <Button
              onClick={() =>
                edit([...result.edits, { kind: "remove", entity: "option", id: option.id }])
              }
            >
              Plan it so
            </Button>
          )}
          <RemoveButton
            what={option.name}
            onClick={() => edit([{ kind: "remove", entity: "option", id: option.id }])}
          />
        </>
      )}
    </li>
  );
}

function AddOption({ suggested }: { suggested: readonly Suggested[] }) {
  const job = useJob();
  const edit = useEdit();
  if (suggested.length === 0) return null;
  return (
    <Choice
      label="Offer another option"
      value=""
      className="w-72"
      options={[
        { value: "", label: "Offer another option …" },
        ...suggested.map(({ name }, i) => ({ value: String(i), label: name })),
      ]}
      onChange={(at) => {
        const chosen = suggested[Number(at)];
        if (at !== "" && chosen) {
          edit([append(job, "option", { id: mint("option"), ...chosen })]);
        }
      }}
    />
  );
}

/** What the job is asked for, from its circuit, and what other ways to do it come to. */
export function QuoteSection({ made }: { made: HandingOver }) {
  const { quote, options, suggested } = made;
  const canEdit = useCanEdit();
  return (
    <Section
      title="Quote"
      about="Parts as the circuit counts them, wire as it is cut, work by its plan. Every line is rounded by itself, the tax once on their sum."
    >
      <Total quote={quote} />
      {!quote.hourKnown && (
        <p className="font-bold">
          Nobody has said what an hour costs: the work is in it for nothing. It is said among the{" "}
          <Link to="/settings">practices</Link>, or for this job in its intake.
        </p>
      )}
      {quote.unpriced.length > 0 && (
        <p>
          <b>Without a price, and not in the total:</b> {quote.unpriced.join(", ")}.
        </p>
      )}
      <Lines quote={quote} />
      <ul>
        {options.map((result) => (
          <OptionLine key={result.option.id} result={result} />
        ))}
      </ul>
      {canEdit && <AddOption suggested={suggested} />}
    </Section>
  );
}
