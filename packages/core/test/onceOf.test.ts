/** What is worked out once of what never changes: kept with it, and seen by nobody else. */
import { onceOf, onceOfPair } from "../src/job/index.ts";

interface Thing {
  readonly name: string;
}

describe("a function of what never changes", () => {
  const counted = () => {
    const asked: string[] = [];
    const lengthOf = onceOf(({ name }: Thing) => {
      asked.push(name);
      return { length: name.length };
    });
    return { asked, lengthOf };
  };

  it("is worked out once for each, however alike they are", () => {
    const { asked, lengthOf } = counted();
    const [pod, other] = [{ name: "pod" }, { name: "pod" }];
    expect(lengthOf(pod)).toEqual({ length: 3 });
    expect(lengthOf(pod)).toBe(lengthOf(pod));
    expect(lengthOf(other)).not.toBe(lengthOf(pod));
    expect(asked).toEqual(["pod", "pod"]);
  });

  it("keeps apart what two functions make of one thing", () => {
    const pod = { name: "pod" };
    const [first, second] = [counted().lengthOf(pod), counted().lengthOf(pod)];
    expect(first).not.toBe(second);
  });

  it("goes with the thing and is not seen on it: by whatever copies, lists, writes, sends or compares it", () => {
    const { asked, lengthOf } = counted();
    const pod = { name: "pod" };
    lengthOf(pod);
    expect(pod).toStrictEqual({ name: "pod" });
    expect(Object.keys(pod)).toEqual(["name"]);
    expect(JSON.stringify(pod)).toBe('{"name":"pod"}');
    expect(Object.getOwnPropertySymbols(structuredClone(pod))).toEqual([]);
    // A copy is another thing: it may be given another name.
    expect(lengthOf({ ...pod, name: "light bar" })).toEqual({ length: 9 });
    expect(asked).toEqual(["pod", "light bar"]);
  });

  it("knows what is frozen as well", () => {
    const { asked, lengthOf } = counted();
    const frozen = Object.freeze({ name: "pod" });
    expect(lengthOf(frozen)).toBe(lengthOf(frozen));
    expect(asked).toEqual(["pod"]);
  });

  it("of two things is worked out anew for another second one, and once for the same", () => {
    const asked: string[] = [];
    const joined = onceOfPair((a: Thing, b: Thing) => {
      asked.push(a.name + b.name);
      return { both: a.name + b.name };
    });
    const [pod, left, right] = [{ name: "pod " }, { name: "left" }, { name: "right" }];
    expect(joined(pod, left)).toBe(joined(pod, left));
    expect(joined(pod, right)).toEqual({ both: "pod right" });
    expect(joined(pod, left)).toEqual({ both: "pod left" });
    expect(joined({ name: "bar " }, left)).toEqual({ both: "bar left" });
    expect(asked).toEqual(["pod left", "pod right", "pod left", "bar left"]);
  });
});
