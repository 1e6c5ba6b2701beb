import {
  decimal,
  readReadingsCsv,
  seenWord,
  testBenchOf,
  type Diagnosis,
  type Job,
} from "@dragonet/core";
import { printJson, type ExitCode, type World } from "../world.ts";

const diagnosisJson = ({ ranked, alike, noneOfThem, bits, next }: Diagnosis) => ({
  suspects: ranked.map(({ suspect, share }) => ({
    id: suspect.id,
    kind: suspect.kind,
    words: suspect.words,
    share,
  })),
  alike: alike.map(({ id }) => id),
  noneOfThem,
  bits,
  next: next && {
    step: next.probe.id,
    controls: next.probe.state.words,
    what: next.probe.words,
    unit: next.probe.unit,
    expected: next.sound.value,
    bits: next.bits,
    bitsPerMinute: next.bitsPerMinute,
  },
});

/** Ranks what may be wrong by what was read, and says what to look at next. */
export function writeDiagnosis(
  job: Job,
  text: string,
  path: string,
  json: boolean,
  world: World,
): ExitCode {
  const read = readReadingsCsv(text);
  if (!read.ok) {
    for (const { line, message } of read.faults) world.err(`${path}: line ${line}: ${message}\n`);
    return 2;
  }
  const { groups, faults } = testBenchOf(job, read.value).diagnose(read.value);
  for (const { step, message } of faults) world.err(`${path}: ${step}: ${message}\n`);
  if (json)
    printJson(
      world,
      groups.map(({ diagnosis }) => diagnosisJson(diagnosis)),
    );
  else {
    for (const { diagnosis } of groups) {
      for (const { suspect, share } of diagnosis.ranked.slice(0, 5)) {
        world.out(`${decimal(100 * share, 0).padStart(3)} %  ${suspect.words}\n`);
      }
      if (diagnosis.noneOfThem) world.out("      none of these explains what was read\n");
      const { next } = diagnosis;
      if (next) {
        const { probe, sound } = next;
        const { at, unit } = probe;
        const reads =
          at.kind === "look"
            ? seenWord(sound.value, at.sense)
            : `${decimal(sound.value, 2)} ${unit}`;
        world.out(`Next: ${probe.words}, with ${probe.state.words} (as built ${reads})\n`);
      }
      world.out("\n");
    }
  }
  if (faults.length > 0) return 2;
  return groups.some(({ diagnosis }) => diagnosis.ranked[0]?.suspect.kind !== "sound") ? 1 : 0;
}
