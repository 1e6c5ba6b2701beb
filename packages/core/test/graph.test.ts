/**
 * The three invariants of the physical graph: complete, built from the list alone, counted
 * once. On every demo job and on jobs by chance.
 */
import Papa from "papaparse";
import {
  INPUTS,
  TERMINAL_FORMS,
  asId,
  compile,
  cutListCsv,
  cutListOf,
  elementOf,
  everythingOn,
  heldNodes,
  insideOf,
  materialsOf,
  restVolts,
  solveCircuit,
  solveCompiled,
  synthesise,
  terminalNode,
  toldUnits,
  unitAt,
  wiredTerminals,
  wiresOf,
  type Circuit,
  type CircuitResult,
  type ElementId,
  type Input,
  type Job,
  type NetworkBranch,
  type NodeId,
  type Position,
  type CircuitId,
} from "../src/index.ts";
import { chanceOf, demoJobs, manyCircuitJob, randomJob, type Chance } from "../src/demo/index.ts";

const planned = [...demoJobs().filter((j) => j.runs.length > 0), manyCircuitJob(13)];
const byChance = Array.from({ length: 500 }, (_, i) => {
  const job = randomJob(chanceOf(i + 1));
  return { job, circuit: synthesise(job), where: `job ${i + 1}` };
});

/** Every terminal is wired or says why not, and none has more wires than it takes. */
function expectComplete(circuit: Circuit, where: string): void {
  const wired = wiredTerminals(circuit);
  const known = new Set<NodeId>();
  for (const unit of circuit.units.values()) {
    for (const { name, spare, form } of unit.terminals) {
      const node = terminalNode(unit.id, name);
      known.add(node);
      const count = wired.get(node) ?? 0;
      if (count === 0 && spare === "") throw new Error(`${where}: ${node} has no wire`);
      if (count > TERMINAL_FORMS[form].takes) {
        throw new Error(
          `${where}: ${count} wires at ${node}, which takes ${TERMINAL_FORMS[form].takes}`,
        );
      }
    }
  }
  for (const node of wired.keys()) {
    if (!known.has(node)) throw new Error(`${where}: a wire goes to ${node}, which no unit has`);
  }
}

/** Every load's current can leave: from its negative a way leads to its source without the load. */
function expectWaysHome(circuit: Circuit, where: string): void {
  const near = new Map<NodeId, NodeId[]>();
  const link = (a: NodeId, b: NodeId): void => {
    near.set(a, [...(near.get(a) ?? []), b]);
    near.set(b, [...(near.get(b) ?? []), a]);
  };
  for (const e of circuit.elements.values()) {
    // In a string the current of one goes home through the others.
    const string = circuit.runs.some((run) => run.runId === e.runId && run.steps > 1);
    if (e.kind === "load" && !string) continue;
    link(e.from, e.to);
    if (e.kind === "converter") {
      link(e.from, e.inNeg);
      link(e.to, e.outNeg);
    }
  }
  const sources = new Set<NodeId>([asId<NodeId>("0"), ...circuit.posts.map((p) => p.node)]);
  for (const e of circuit.elements.values()) {
    if (e.kind === "converter") sources.add(e.outNeg);
    if (e.kind === "battery") sources.add(e.from);
  }
  for (const e of circuit.elements.values()) {
    if (e.kind !== "load") continue;
    const seen = new Set<NodeId>([e.to]);
    const todo = [e.to];
    let home = false;
    for (let at = todo.pop(); at !== undefined && !home; at = todo.pop()) {
      home = sources.has(at);
      for (const next of near.get(at) ?? []) {
        if (seen.has(next)) continue;
        seen.add(next);
        todo.push(next);
      }
    }
    if (!home) throw new Error(`${where}: the current of ${e.label} has no way back`);
  }
}

/**
 * A network of the printed list and the units' insides alone: the wires by their unit and
 * terminal as the CSV has them, each as the ohms that stand beside it.
 */
function rebuilt(
  circuit: Circuit,
  csv: string,
  solved: Extract<CircuitResult, { kind: "solved" }>,
  position: Position,
) {
  const rows = Papa.parse<Record<string, string>>(csv.trim(), { header: true }).data;
  const node = (row: Record<string, string>, end: "from" | "to"): NodeId =>
    asId<NodeId>(`${row[`${end}_unit`]}.${row[`${end}_terminal`]}`);
  const branches = rows.map((row, i): NetworkBranch => ({
    id: asId<ElementId>(`row-${i}`),
    from: node(row, "from"),
    to: node(row, "to"),
    model: { kind: "resistor", ohm: Number(row["ohm"]) },
    words: row["label"] ?? "",
  }));
  for (const element of circuit.elements.values()) {
    if (element.unit === "") continue;
    branches.push(...insideOf(element).branches(element, solved.options));
  }
  return { branches, held: heldNodes(circuit, position) };
}

/** Parts of a network between which nothing but leaks flow. */
function islandsOf(branches: readonly NetworkBranch[], held: ReadonlySet<NodeId>) {
  const parent = new Map<NodeId, NodeId>();
  const root = (n: NodeId): NodeId => {
    let at = n;
    for (let up = parent.get(at); up !== undefined; up = parent.get(at)) at = up;
    return at;
  };
  for (const b of branches) {
    if (b.model.kind === "resistor" && b.model.ohm > 1e5) continue;
    const [x, y] = [root(b.from), root(b.to)];
    if (x !== y) parent.set(x, y);
  }
  const grounded = new Set([...held].map(root));
  return { root, isFloating: (n: NodeId): boolean => !grounded.has(root(n)) };
}

function statesOf(job: Job, chance: Chance, count: number): Position[] {
  const volts = restVolts(job.vehicle);
  const all = everythingOn(job, volts);
  const off: Position = { ...all, inputs: new Set<Input>(), switches: new Set<CircuitId>() };
  const some = Array.from({ length: count }, (): Position => ({
    ...all,
    inputs: new Set(INPUTS.filter((input) => input !== "switch" && chance() < 0.4)),
    switches: new Set([...all.switches].filter(() => chance() < 0.6)),
  }));
  return [all, off, ...some];
}

/** What is printed is what was solved: to 1 µV between the nodes of one island. */
function expectBuiltFromList(
  job: Job,
  circuit: Circuit,
  where: string,
  states: Position[],
): number {
  const csv = cutListCsv(cutListOf(job, circuit));
  let compared = 0;
  for (const position of states) {
    const solved = solveCircuit(circuit, position, job.practices.ambientC);
    if (solved.kind !== "solved") continue;
    const network = rebuilt(circuit, csv, solved, position);
    const again = solveCompiled(compile(network));
    if (again.kind !== "solved") throw new Error(`${where}: rebuilt it is ${again.kind}`);
    const { root, isFloating } = islandsOf(network.branches, new Set(network.held.keys()));
    const offset = new Map<NodeId, number>();
    for (const [node, volts] of again.volts) {
      const mine = solved.result.volts.get(node);
      if (mine === undefined) throw new Error(`${where}: ${node} is only in the rebuilt network`);
      if (isFloating(node) && !offset.has(root(node))) offset.set(root(node), volts - mine);
      const shift = offset.get(root(node)) ?? 0;
      if (!(Math.abs(volts - mine - shift) <= 1e-6)) {
        throw new Error(`${where}: ${node} has ${mine} V solved and ${volts} V rebuilt`);
      }
      compared += 1;
    }
  }
  return compared;
}

/** Each unit that is fitted is one thing to lay out, however much is in it. */
function expectCountedOnce(job: Job, circuit: Circuit, where: string): void {
  const pieces = materialsOf(job, circuit).filter((item) => item.unit === "");
  const laid = pieces.reduce((sum, item) => sum + item.count, 0);
  const units = [...circuit.units.values()].filter(
    (u) => u.fitted && u.kind !== "groundBlock",
  ).length;
  const inBoxes = [...circuit.elements.values()].filter(
    (e) => e.kind === "fuse" && !e.builtIn && unitAt(circuit, e.from)?.kind === "box",
  ).length;
  const flashers = job.kit.filter((item) =>
    job.parts.some(
      (p) =>
        p.kind === "flasher" &&
        p.name === item.name &&
        !job.supplies.some((s) => s.partId === p.id),
    ),
  );
  const made = new Set(wiresOf(circuit).map((wire) => wire.harness));
  // One that goes between factory plugs is among the units, once for all of its connectors.
  const passing = new Set(
    [...circuit.units.values()].filter((u) => u.kind === "passThrough").map((u) => u.ownerId),
  );
  const harnesses = job.harnesses.filter(
    (h) => made.has(h.name) && ![...passing].some((owner) => owner.endsWith(`.${h.id}`)),
  ).length;
  const loose = flashers.reduce((sum, item) => sum + item.needed, 0);
  expect({ where, laid }).toEqual({ where, laid: units + inBoxes + loose + harnesses });
}

/** What people named is as they named it; what the plan names has a name to itself in its circuit. */
const NAMED_HERE: ReadonlySet<string> = new Set(["fuse", "relay", "switch", "splice", "diode"]);

function expectToldApart(circuit: Circuit, where: string): void {
  const names = [...circuit.units.values()]
    .filter(({ kind }) => NAMED_HERE.has(kind))
    .map(({ ownerId, kind, name }) => `${where}: ${kind} “${name}” of ${ownerId}`);
  expect(names.filter((name, i) => names.indexOf(name) !== i)).toEqual([]);
}

describe("the physical graph of every demo job", () => {
  it.each(planned.map((job) => [job.card.title, job] as const))("%s", (title, job) => {
    const circuit = synthesise(job);
    expectComplete(circuit, title);
    expectWaysHome(circuit, title);
    expectCountedOnce(job, circuit, title);
    expectToldApart(circuit, title);
    const states = statesOf(job, chanceOf(7), 4);
    expect(expectBuiltFromList(job, circuit, title, states)).toBeGreaterThan(20);
  });
});

describe("the physical graph of 500 jobs by chance", () => {
  it("is complete: no terminal without a wire or a reason, no load without a way back", () => {
    for (const { circuit, where } of byChance) {
      expectComplete(circuit, where);
      expectWaysHome(circuit, where);
    }
  });

  it("is solved as it is listed, and has an answer wherever it is asked", () => {
    let compared = 0;
    const silent: string[] = [];
    for (const [i, { job, circuit, where }] of byChance.entries()) {
      const states = statesOf(job, chanceOf(i + 1), 1);
      compared += expectBuiltFromList(job, circuit, where, states);
      for (const position of states) {
        const { kind } = solveCircuit(circuit, position, job.practices.ambientC);
        if (kind === "notConverged" || kind === "singular") silent.push(`${where}: ${kind}`);
      }
    }
    expect(silent).toEqual([]);
    expect(compared).toBeGreaterThan(40_000);
  });

  it("has a name for every unit that no other of its circuit has", () => {
    for (const { circuit, where } of byChance) expectToldApart(circuit, where);
  });

  it("counts every unit once", () => {
    for (const { job, circuit, where } of byChance) expectCountedOnce(job, circuit, where);
  });
});

describe("what is told of units", () => {
  it("has ids that a netlist takes, distinct in any case, and lines that stay in their unit", () => {
    const some = byChance.slice(0, 100).map(({ job }) => job);
    for (const [i, job] of [...planned, ...some].entries()) {
      const circuit = synthesise(job);
      const solved = solveCircuit(circuit, everythingOn(job, restVolts(job.vehicle)), 40);
      if (solved.kind !== "solved") continue;
      const told = toldUnits(circuit, solved.options);
      expect(new Set(told.map((u) => u.id.toLowerCase())).size).toBe(told.length);
      for (const unit of told) {
        expect(unit.id).toMatch(/^[A-Za-z]\w*$/);
        for (const t of unit.terminals) expect(t.name).toMatch(/^\w+$/);
        for (const line of unit.spice) {
          const strangers = [...line.matchAll(/\b([A-Za-z]\w*)\.\w+/g)].filter(
            ([, id]) => id !== unit.id,
          );
          if (strangers.length > 0) throw new Error(`job ${i}, ${unit.id}: ${line}`);
        }
      }
    }
  });

  it("never reads a name: two boxes of one part are two units, a lamp called fuse is a lamp", () => {
    const job = planned[0]!;
    const renamed: Job = {
      ...job,
      lamps: job.lamps.map((l) => ({ ...l, label: "fuse" })),
      supplies: job.supplies.map((s) => ({ ...s, name: "battery +" })),
      controls: job.controls.map((c) => ({ ...c, name: "relay" })),
    };
    const plain = wiresOf(synthesise(job));
    const odd = wiresOf(synthesise(renamed));
    const facts = (list: typeof plain) =>
      list.map(({ id, from, to, gaugeId, lengthM }) => ({ id, from, to, gaugeId, lengthM }));
    expect(facts(odd)).toEqual(facts(plain));
    expect(elementOf(synthesise(renamed), plain[0]!.id).kind).toBe("wire");
  });
});
