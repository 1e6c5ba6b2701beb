// oxlint-disable-next-line @typescript-eslint/triple-slash-reference -- every importer of this file needs the declaration
/// <reference path="./class-transformer-storage.d.ts" />
import "reflect-metadata";
import { defaultMetadataStorage } from "class-transformer/cjs/storage.js";
import { getMetadataStorage } from "class-validator";
import { validationMetadatasToSchemas } from "class-validator-jsonschema";
import { JOB_FORMAT } from "@dragonet/core";
import { JobDto } from "./document/job.ts";

type Schema = Record<string, unknown>;

/** Every class that carries validation, by name. */
function classesByName(): Map<string, new () => object> {
  const storage = getMetadataStorage() as unknown as {
    validationMetadatas: Map<new () => object, unknown>;
  };
  return new Map([...storage.validationMetadatas.keys()].map((type) => [type.name, type]));
}

/** An object told by its kind: one schema a kind, each with the kind fixed. */
function unionOf(
  subTypes: readonly { name: string; value: { name: string } }[],
  prefix: string,
): Schema {
  return {
    oneOf: subTypes.map(({ name, value }) => ({
      allOf: [
        { $ref: `${prefix}${value.name}` },
        { properties: { kind: { const: name } }, required: ["kind"] },
      ],
    })),
  };
}

function withUnions(type: new () => object, schema: Schema, prefix: string): Schema {
  const properties = { ...(schema.properties as Record<string, Schema>) };
  const nothing = `${prefix}Object`;
  const untold = new Set<unknown>([nothing, `${prefix}Array`]);
  for (const [property, own] of Object.entries(properties)) {
    // A property typed by an interface is "Object" to the metadata, a list "Array": its own schema says more.
    if (untold.has(own.$ref)) delete own.$ref;
    const options = defaultMetadataStorage.findTypeMetadata(type, property)?.options;
    const nullable = Array.isArray(own.type) && own.type.includes("null");
    if (nullable && typeof own.$ref === "string" && own.$ref !== nothing) {
      properties[property] = { anyOf: [{ type: "null" }, { $ref: own.$ref }] };
    }
    if (options?.discriminator) {
      const union = unionOf(options.discriminator.subTypes, prefix);
      properties[property] =
        own.type === "array"
          ? { ...own, items: union }
          : nullable
            ? { anyOf: [{ type: "null" }, union] }
            : union;
    }
  }
  return { additionalProperties: false, ...schema, properties };
}

/** JSON Schema of every class of the contract, by name; references begin with the prefix. */
function allSchemas(prefix: string): Record<string, Schema> {
  const made = validationMetadatasToSchemas({
    classTransformerMetadataStorage: defaultMetadataStorage as never,
    refPointerPrefix: prefix,
  });
  const types = classesByName();
  return Object.fromEntries(
    Object.entries(made)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .flatMap(([name, schema]): [string, Schema][] => {
        const type = types.get(name);
        return type ? [[name, withUnions(type, schema as Schema, prefix)]] : [];
      }),
  );
}

/** Names of the classes that a schema refers to, at any depth. */
function namesIn(node: unknown, prefix: string): string[] {
  if (typeof node !== "object" || node === null) return [];
  const { $ref: to } = node as { $ref?: unknown };
  const own = typeof to === "string" && to.startsWith(prefix) ? [to.slice(prefix.length)] : [];
  return [...own, ...Object.values(node).flatMap((value) => namesIn(value, prefix))];
}

/**
 * JSON Schema of these classes of the contract and of whatever they refer to, by name;
 * references begin with the prefix.
 */
export function classSchemas(names: readonly string[], prefix: string): Record<string, Schema> {
  const schemas = allSchemas(prefix);
  const found = new Set<string>();
  const waiting = [...names];
  for (let name = waiting.pop(); name !== undefined; name = waiting.pop()) {
    if (found.has(name) || !schemas[name]) continue;
    found.add(name);
    waiting.push(...namesIn(schemas[name], prefix));
  }
  return Object.fromEntries(Object.entries(schemas).filter(([name]) => found.has(name)));
}

const DEFS = "#/$defs/";

/** JSON Schema (draft 2020-12) of the job document, made from the classes that check it. */
export function jobSchema(): Schema {
  const { [JobDto.name]: job, ...others } = classSchemas([JobDto.name], DEFS);
  return {
    $schema: "https://json-schema.org/draft/2020-12/schema",
    title: JOB_FORMAT,
    description:
      "One lighting job on a small vehicle. SI units: A, V, Ω, W, m. References, order and bounds are checked beyond this schema.",
    ...job,
    $defs: others,
  };
}
