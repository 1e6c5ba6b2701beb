import addFormats from "ajv-formats";
import Ajv2020, { type ValidateFunction } from "ajv/dist/2020.js";

interface Operation {
  readonly summary?: string;
  readonly security?: readonly Readonly<Record<string, readonly string[]>>[];
  readonly parameters?: readonly { readonly name: string; readonly in: string }[];
  readonly responses: Readonly<
    Record<string, { readonly content?: Readonly<Record<string, { readonly schema: object }>> }>
  >;
}

export interface ApiDocument {
  readonly openapi: string;
  readonly security: readonly Readonly<Record<string, readonly string[]>>[];
  readonly paths: Readonly<Record<string, Readonly<Record<string, Operation>>>>;
  readonly components: { readonly schemas: Readonly<Record<string, object>> };
}

/** An answer as it came. */
export interface Told {
  readonly method: string;
  readonly path: string;
  readonly status: number;
  readonly type: string;
  readonly body: unknown;
}

/** The API's document, held against what is really answered. */
export class ApiBook {
  /** Operations that were seen to answer as they say, "get /api/jobs". */
  readonly kept = new Set<string>();
  private readonly checks = new Map<object, ValidateFunction>();
  private readonly ajv = new Ajv2020({ allErrors: true, strict: false });

  constructor(readonly document: ApiDocument) {
    addFormats(this.ajv);
    this.ajv.addSchema({ $id: "api", components: document.components });
  }

  get operations(): readonly (readonly [string, Operation])[] {
    return Object.entries(this.document.paths).flatMap(([path, item]) =>
      Object.entries(item).map(([method, operation]) => [`${method} ${path}`, operation] as const),
    );
  }

  /** The operation of a request: of several the one with the fewest places left open. */
  find(method: string, path: string): readonly [string, Operation] | undefined {
    const bare = path.split("?")[0] ?? "";
    const fits = (template: string): boolean =>
      new RegExp(`^${template.replace(/\./g, "\\.").replace(/\{[^}]+\}/g, "[^/]+")}$`).test(bare);
    const open = (name: string): number => name.split("{").length;
    return this.operations
      .filter(([name]) => name.startsWith(`${method} `) && fits(name.slice(method.length + 1)))
      .toSorted(([a], [b]) => open(a) - open(b))[0];
  }

  private check(schema: object): ValidateFunction {
    let check = this.checks.get(schema);
    if (!check) {
      const text = JSON.stringify(schema).replaceAll('"#/components', '"api#/components');
      check = this.ajv.compile(JSON.parse(text) as object);
      this.checks.set(schema, check);
    }
    return check;
  }

  /** What is wrong with an answer by the document; empty where nothing is. */
  faults({ method, path, status, type, body }: Told): string[] {
    const found = this.find(method, path);
    if (!found) return [`${method} ${path} is not in the document`];
    const [name, { responses }] = found;
    const response = responses[status] ?? (status >= 400 ? responses.default : undefined);
    if (!response) return [`${name} answers ${status}, which it does not say`];
    if (status < 300) this.kept.add(name);
    if (!response.content) return body === "" ? [] : [`${name} answers something for nothing`];
    const media = type.split(";")[0] ?? "";
    const said = response.content[media];
    if (!said) return [`${name} answers ${media}, not ${Object.keys(response.content).join()}`];
    if (media !== "application/json" || (said.schema as { type?: string }).type === "string") {
      return [];
    }
    const check = this.check(said.schema);
    if (check(body)) return [];
    return (check.errors ?? []).map((e) => `${name}: ${e.instancePath} ${e.message ?? ""}`);
  }
}
