/** Milliseconds by kind of question. */
export interface LoadLine {
  readonly kind: string;
  readonly n: number;
  readonly p50: number;
  readonly p95: number;
  readonly p99: number;
}
export interface LoadFigures {
  readonly all: LoadLine;
  readonly kinds: readonly LoadLine[];
}
export class Load {
  constructor(
    base: string,
    options: {
      readonly people: number;
      readonly everyS?: number;
      readonly random?: () => number;
    },
  );
  times: Map<string, number[]>;
  refused: Map<string, number>;
  acknowledged: { readonly id: string; readonly batchId: string }[];
  later: number;
  begin(): Promise<void>;
  end(): Promise<void>;
  lost(): Promise<number>;
  figures(): LoadFigures;
}
export function printFigures(figures: LoadFigures): string;
