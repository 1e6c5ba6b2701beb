import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { Command } from "cmdk";
import {
  Suspense,
  lazy,
  useDeferredValue,
  useEffect,
  useRef,
  useState,
  type FocusEvent,
  type KeyboardEvent,
} from "react";
import { useLocation, useNavigate } from "react-router";
import type { PartKind } from "@dragonet/core";
import type { FoundAnswer } from "@dragonet/contract";
import { ask } from "../base/api.ts";
import { useCanEdit } from "../base/session.ts";
import { useAskedSentence } from "../board/newJob/useAskedSentence.ts";
import { useOpenFile } from "../job/papers/useOpenFile.ts";
import { KIND_WORDS } from "../shelf/kindWords.ts";
import { Modal } from "../ui/page/Modal.tsx";
import { goalsOf, isCalled, matching, type Goal } from "./goals.ts";

const SaidPreview = lazy(async () => ({
  default: (await import("../board/newJob/SaidPreview.tsx")).SaidPreview,
}));

/** So many words may be a job that is said in a sentence. */
const SENTENCE_WORDS = 3;
const LONGEST_QUESTION = 200;

const ADDRESS: Readonly<Record<FoundAnswer["kind"], (id: string) => string>> = {
  job: (id) => `/jobs/${id}`,
  part: (id) => `/shelf?part=${encodeURIComponent(id)}`,
  vehicle: (id) => `/vehicles/${encodeURIComponent(id)}`,
};
const GROUPS: readonly (readonly [FoundAnswer["kind"], string])[] = [
  ["job", "Jobs"],
  ["part", "Parts"],
  ["vehicle", "Vehicles"],
];
const valueOf = ({ kind, id }: FoundAnswer): string => `${kind} ${id}`;
const aboutOf = ({ kind, about }: FoundAnswer): string =>
  kind === "part" ? KIND_WORDS[about as PartKind] : about;

/** What the server finds; while the next answer is on its way the last one stays. */
function useFound(written: string) {
  const now = written.trim().slice(0, LONGEST_QUESTION);
  const question = useDeferredValue(now);
  const { data, error, isFetching, isPlaceholderData } = useQuery({
    queryKey: ["search", question],
    queryFn: () => ask<FoundAnswer[]>(`search?q=${encodeURIComponent(question)}`),
    enabled: question !== "",
    placeholderData: keepPreviousData,
    staleTime: 10_000,
  });
  return { data, error, isFetching, isOfBefore: isPlaceholderData || question !== now };
}

const ITEM =
  "touch cursor-pointer rounded-control px-2 py-1.5 data-[selected=true]:bg-accent data-[selected=true]:text-on-accent";
/** After what was typed before the field was there. */
const goOn = ({ target }: FocusEvent<HTMLTextAreaElement>): void =>
  target.setSelectionRange(target.value.length, target.value.length);

const GROUP =
  "mt-2 [&_[cmdk-group-heading]]:border-b [&_[cmdk-group-heading]]:border-hair [&_[cmdk-group-heading]]:text-small [&_[cmdk-group-heading]]:text-muted";

interface FindDialogProps {
  readonly written: string;
  readonly onWrite: (text: string) => void;
  readonly onClose: () => void;
  readonly onKeys: () => void;
}

/** A sentence as it was read, and the press that plans it. */
function Saying({ text, onBack }: { text: string; onBack: () => void }) {
  const { asked, onTaken, submit } = useAskedSentence(text);
  return (
    <form onSubmit={submit}>
      <p className="font-bold">“{text}”</p>
      <Suspense fallback={<p className="text-muted">Reading …</p>}>
        <SaidPreview text={text} {...{ asked, onTaken }} alone />
      </Suspense>
      <button type="button" className="touch mt-3 text-accent underline" onClick={onBack}>
        Change the sentence
      </button>
    </form>
  );
}

/** What the shop has, by kind. */
function Found({ found, onGo }: { found: readonly FoundAnswer[]; onGo: (to: string) => void }) {
  return (
    <>
      {GROUPS.map(([kind, heading]) => {
        const here = found.filter((one) => one.kind === kind);
        if (here.length === 0) return null;
        return (
          <Command.Group key={kind} heading={heading} className={GROUP}>
            {here.map((one) => (
              <Command.Item
                key={one.id}
                value={valueOf(one)}
                className={ITEM}
                onSelect={() => onGo(ADDRESS[kind](one.id))}
              >
                <b>{one.title}</b>
                <span className="ml-2 text-small">{aboutOf(one)}</span>
                {one.where !== "" && <span className="block text-small">… {one.where}</span>}
              </Command.Item>
            ))}
          </Command.Group>
        );
      })}
    </>
  );
}

/** Pages and papers that are meant. */
function GoTo({ goals, onGo }: { goals: readonly Goal[]; onGo: (goal: Goal) => void }) {
  if (goals.length === 0) return null;
  return (
    <Command.Group heading="Go to" className={GROUP}>
      {goals.map((goal) => (
        <Command.Item
          key={goal.label}
          value={`go ${goal.label}`}
          className={ITEM}
          onSelect={() => onGo(goal)}
        >
          {goal.label}
        </Command.Item>
      ))}
    </Command.Group>
  );
}

/** Finds, goes and plans: one field, what it may mean beneath. */
export function FindDialog({ written, onWrite, onClose, onKeys }: FindDialogProps) {
  const [saying, setSaying] = useState(false);
  const navigate = useNavigate();
  const canEdit = useCanEdit();
  const openFile = useOpenFile();
  const { pathname } = useLocation();
  const [start] = useState(pathname);
  useEffect(() => {
    // A job that was planned from here has opened.
    if (pathname !== start) onClose();
  }, [pathname, start, onClose]);
  const { data, error, isFetching, isOfBefore } = useFound(written);
  const found = written.trim() === "" ? [] : (data ?? []);
  const jobId = /^\/jobs\/([^/]+)/.exec(pathname)?.[1] ?? null;
  const goals = matching(goalsOf(jobId), written.trim());
  const go = (to: string): void => {
    onClose();
    void navigate(to);
  };
  const goTo = (
    <GoTo
      goals={goals}
      onGo={(goal) => {
        if ("to" in goal) {
          go(goal.to);
          return;
        }
        onClose();
        openFile(goal.paper);
      }}
    />
  );
  const [chosen, choose] = useState("");
  const isSentence = canEdit && written.trim().split(/\s+/).length >= SENTENCE_WORDS;
  const hasNothing =
    written.trim() !== "" && !isFetching && found.length + goals.length === 0 && !isSentence;
  // In the order of the list. What was chosen goes with its line: Enter then means the first of what is left.
  const goFirst = isCalled(goals, written);
  const goValues = goals.map(({ label }) => `go ${label}`);
  const values = [
    ...(goFirst ? goValues : []),
    ...GROUPS.flatMap(([kind]) => found.filter((one) => one.kind === kind).map(valueOf)),
    ...(goFirst ? [] : goValues),
    ...(isSentence ? ["do plan"] : []),
    ...(written === "" ? ["do keys"] : []),
  ];
  const value = values.includes(chosen) ? chosen : (values[0] ?? "");
  // Whoever has written a sentence and presses Enter at once means it, and not what was found for its beginning.
  const field = useRef<HTMLTextAreaElement>(null);
  // Back from a sentence that was read, what was written is there to be changed.
  const goBack = (): void => {
    setSaying(false);
    requestAnimationFrame(() => field.current?.focus());
  };
  const planAtOnce = (e: KeyboardEvent): void => {
    if (e.key !== "Enter" || !isSentence || !isOfBefore || e.nativeEvent.isComposing) return;
    e.preventDefault();
    setSaying(true);
  };
  if (saying) {
    return (
      <Modal open onClose={onClose} title="Plan this job">
        <Saying text={written} onBack={goBack} />
      </Modal>
    );
  }
  return (
    <Modal open onClose={onClose} title="Find">
      <Command
        shouldFilter={false}
        label="Find"
        loop
        {...{ value }}
        onValueChange={choose}
        onKeyDown={planAtOnce}
      >
        {/* A sentence is longer than a line: it is read whole while it is written. */}
        <Command.Input
          asChild
          value={written}
          onValueChange={(text) => onWrite(text.replaceAll("\n", " "))}
          maxLength={1000}
          placeholder="A customer, a vehicle, a lamp, a stage, or a job in one sentence"
          className="control grows block w-full"
          enterKeyHint="go"
        >
          <textarea ref={field} rows={1} onFocus={goOn} />
        </Command.Input>
        <Command.List className="mt-1 max-h-[60vh] overflow-y-auto">
          {goFirst && goTo}
          <Found found={found} onGo={go} />
          {!goFirst && goTo}
          {(isSentence || written === "") && (
            <Command.Group heading="Do" className={GROUP}>
              {isSentence && (
                <Command.Item value="do plan" className={ITEM} onSelect={() => setSaying(true)}>
                  Plan this as a job: “{written.trim()}”
                </Command.Item>
              )}
              {written === "" && (
                <Command.Item value="do keys" className={ITEM} onSelect={onKeys}>
                  Show all keys
                </Command.Item>
              )}
            </Command.Group>
          )}
        </Command.List>
        <p role="status" className="mt-2 text-small text-muted">
          {error
            ? `Nothing could be looked for: ${error.message}`
            : hasNothing
              ? `Nothing has “${written.trim()}”: fewer words find more.`
              : ""}
        </p>
      </Command>
    </Modal>
  );
}
