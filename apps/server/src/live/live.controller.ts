import { Controller, Inject, Sse, type MessageEvent } from "@nestjs/common";
import { from, interval, map, merge, mergeMap, takeWhile, type Observable } from "rxjs";
import { AnswersFile } from "../docs/answers.ts";
import { CurrentUser, type SignedIn } from "../people/access.ts";
import { KnownPeople } from "../people/knownPeople.ts";
import { LiveChanges } from "./liveChanges.ts";

/** How often an open stream is proven alive, and its person still to be one of the shop, in ms. */
const BEAT_MS = 20_000;

/** What happens in the shop, told to every page that listens (server-sent events). */
@Controller("api/events")
export class LiveController {
  constructor(
    @Inject(LiveChanges) private readonly live: LiveChanges,
    @Inject(KnownPeople) private readonly known: KnownPeople,
  ) {}

  @Sse()
  @AnswersFile("What happens in the shop, as server-sent events", "text/event-stream")
  events(@CurrentUser() me: SignedIn): Observable<MessageEvent> {
    const beats = interval(BEAT_MS).pipe(
      // A database that does not answer for a moment signs nobody out.
      mergeMap(() => from(this.known.read(me.id).catch(() => me))),
      map((person) => ({ kind: "beat" as const, person })),
    );
    return merge(this.live.changes, beats).pipe(
      takeWhile((event) => event.kind !== "beat" || event.person !== null),
      map((event): MessageEvent => {
        if (event.kind !== "job") return { type: event.kind, data: "" };
        return { type: "job", data: { id: event.id, revision: event.revision } };
      }),
    );
  }
}
