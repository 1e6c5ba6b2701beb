import { splitNode, type Unit } from "../circuit/index.ts";
import {
  onceOfPair,
  type Feed,
  type Job,
  type NodeId,
  type PinId,
  type PlaceId,
  type LightingCircuit,
  type CircuitId,
  type UnitId,
} from "../job/index.ts";
import {
  controlSite,
  lampSite,
  placeWithRole,
  relaySite,
  spliceSite,
  supplySite,
  switchSite,
} from "./sites.ts";
import { Ways } from "./ways.ts";

/** Finds the place of a unit, by where it says it sits. */
export class UnitSites {
  private readonly splices = new Map<CircuitId, PlaceId | null>();
  private readonly known = new Map<NodeId, PlaceId | "other" | null>();
  readonly ways: Ways;
  constructor(
    private readonly job: Job,
    private readonly units: ReadonlyMap<UnitId, Unit>,
  ) {
    this.ways = new Ways(job);
  }

  feedSite(feed: Feed | undefined): PlaceId | null {
    const { job } = this;
    if (feed?.kind === "pin") return this.pinSite(feed.pinId);
    if (feed?.kind === "supply") {
      return supplySite(job, job.supplies.find((s) => s.id === feed.supplyId)?.at ?? "");
    }
    return placeWithRole(job, "battery");
  }

  pinSite(pinId: PinId): PlaceId | null {
    const { vehicle } = this.job;
    const pin = vehicle.pins.find((p) => p.id === pinId);
    const at = vehicle.connectors.find((c) => c.id === pin?.connectorId)?.at ?? "";
    return at === "" ? null : at;
  }

  /** Where a run's lamps part. */
  spliceOf(run: LightingCircuit): PlaceId | null {
    const known = this.splices.get(run.id);
    if (known !== undefined) return known;
    const place = spliceSite(this.job, run, this.ways);
    this.splices.set(run.id, place);
    return place;
  }

  /** Where a terminal is: null on a unit that nobody has placed; "other" at hand of the wire's other end. */
  of(node: NodeId): PlaceId | "other" | null {
    const known = this.known.get(node);
    if (known !== undefined) return known;
    const found = this.ofUnit(splitNode(node).unit);
    this.known.set(node, found);
    return found;
  }

  ofUnit(unit: UnitId): PlaceId | "other" | null {
    const { job } = this;
    const site = this.units.get(unit)?.site;
    const run = (id: CircuitId) => job.runs.find((r) => r.id === id);
    switch (site?.kind) {
      case undefined:
      case "atHand":
        return "other";
      case "battery":
        return placeWithRole(job, "battery");
      case "electrics":
        return placeWithRole(job, "electrics", "battery");
      case "source":
        return this.feedSite(site.feed);
      case "pin":
        return this.pinSite(site.pinId);
      case "unfound":
        return placeWithRole(job, "controls");
      case "supply":
        return supplySite(job, job.supplies.find((s) => s.id === site.supplyId)?.at ?? "");
      case "control":
        return controlSite(job, job.controls.find((c) => c.id === site.controlId)?.at ?? "");
      case "lamp": {
        const lamp = job.lamps.find((l) => l.id === site.lampId);
        return lamp ? lampSite(job, lamp) : null;
      }
      case "relay": {
        const found = run(site.runId);
        return found ? relaySite(job, found) : placeWithRole(job, "electrics", "battery");
      }
      case "switch": {
        const found = run(site.runId);
        return found ? switchSite(job, found) : placeWithRole(job, "controls");
      }
      case "splice": {
        const found = run(site.runId);
        if (!found) return "other";
        if (site.end !== "") return placeWithRole(job, site.end);
        return this.spliceOf(found);
      }
    }
  }
}

/** The places of a job's units: asked for when its wires are measured, and again when its route is shown. */
export const unitSitesOf: (units: ReadonlyMap<UnitId, Unit>, job: Job) => UnitSites = onceOfPair(
  (units, job) => new UnitSites(job, units),
);
