// eslint-disable-next-line @typescript-eslint/triple-slash-reference -- every importer of this file needs the declaration
/// <reference path="./class-transformer-storage.d.ts" />
import "reflect-metadata";
import { defaultMetadataStorage } from "class-transformer/cjs/storage.js";
import { getMetadataStorage } from "class-validator";
import { validationMetadatasToSchemas } from "class-validator-jsonschema";
import { JOB_FORMAT } from "@dragonet/core";
import { JobDto } from "./job.ts";

type Schema = Record<string, unknown>;

const ref = (name: string): Schema => ({ $ref: `#/$defs/${name}` });

/** Every class that carries validation, by name. */
function classesByName(): Map<string, new () => object> {
  const storage = getMetadataStorage() as unknown as {
    validationMetadatas: Map<new () => object, unknown>;
  };
  return new Map([...storage.validationMetadatas.keys()].map((type) => [type.name, type]));
}

/** An object told by its kind: one schema a kind, each with the kind fixed. */
function unionOf(subTypes: readonly { name: string; value: { name: string } }[]): Schema {
  return {
    oneOf: subTypes.map(({ name, value }) => ({
      allOf: [ref(value.name), { properties: { kind: { const: name } }, required: ["kind"] }],
    })),
  };
}

function withUnions(type: new () => object, schema: Schema): Schema {
  const properties = { ...(schema.properties as Record<string, Schema>) };
  for (const [property, own] of Object.entries(properties)) {
    // A property typed by an interface is "Object" to the metadata: its own schema says more.
    if (own.$ref === "#/$defs/Object") delete own.$ref;
    const options = defaultMetadataStorage.findTypeMetadata(type, property)?.options;
    const nullable = Array.isArray(own.type) && own.type.includes("null");
    if (nullable && typeof own.$ref === "string" && own.$ref !== "#/$defs/Object") {
      properties[property] = { anyOf: [{ type: "null" }, { $ref: own.$ref }] };
    }
    if (options?.discriminator) {
      const union = unionOf(options.discriminator.subTypes);
      properties[property] =
        own.type === "array"
          ? { ...own, items: union }
          : nullable
            ? { anyOf: [{ type: "null" }, union] }
            : union;
    }
  }
  return { ...schema, properties, additionalProperties: false };
}

/** JSON Schema (draft 2020-12) of the job document, made from the classes that check it. */
export function jobSchema(): Schema {
  const made = validationMetadatasToSchemas({
    classTransformerMetadataStorage: defaultMetadataStorage as never,
    refPointerPrefix: "#/$defs/",
  });
  const types = classesByName();
  const $defs = Object.fromEntries(
    Object.entries(made)
      .sort(([a], [b]) => a.localeCompare(b))
      .flatMap(([name, schema]): [string, Schema][] => {
        const type = types.get(name);
        return type ? [[name, withUnions(type, schema as Schema)]] : [];
      }),
  );
  const { [JobDto.name]: job, ...others } = $defs;
  return {
    $schema: "https://json-schema.org/draft/2020-12/schema",
    title: JOB_FORMAT,
    description:
      "One lighting job on a small vehicle. SI units: A, V, Ω, W, m. References, order and bounds are checked beyond this schema.",
    ...job,
    $defs: others,
  };
}
