import type { INestApplication } from "@nestjs/common";
import { DocumentBuilder, SwaggerModule, type OpenAPIObject } from "@nestjs/swagger";
import { RefusalAnswer, classSchemas } from "@dragonet/contract";
import { SESSION_COOKIE } from "../people/sessions.ts";
import { SESSION } from "./answers.ts";

const SCHEMAS = "#/components/schemas/";

type Operation = Record<string, unknown> & { responses: Record<string, unknown> };

/** Every refusal has one shape, and what is open to everybody asks for no session. */
function completed(operation: Operation): Operation {
  const { "x-open": open, ...rest } = operation;
  return {
    ...rest,
    ...(open === true && { security: [] }),
    responses: {
      ...operation.responses,
      default: {
        description: "refused: one line for people, and faults with their places",
        content: { "application/json": { schema: { $ref: `${SCHEMAS}${RefusalAnswer.name}` } } },
      },
    },
  };
}

/**
 * The API in OpenAPI 3.1, made of the routes that answer and of the classes by which requests
 * are checked: neither is written down a second time.
 */
export function apiDocument(app: INestApplication): OpenAPIObject {
  const head = new DocumentBuilder()
    .setOpenAPIVersion("3.1.0")
    .setTitle("Dragonet")
    .setDescription(
      "Jobs, shelf, vehicles and people of one shop. SI units: A, V, Ω, W, m. Roles stand under security: viewer, installer, owner; each may do what the one before may.",
    )
    .setVersion("1")
    .addSecurity(SESSION, { type: "apiKey", in: "cookie", name: SESSION_COOKIE })
    .addSecurityRequirements(SESSION, ["viewer"])
    .build();
  const made = SwaggerModule.createDocument(app, head);
  const paths = Object.fromEntries(
    Object.entries(made.paths).map(([path, item]) => [
      path,
      Object.fromEntries(
        Object.entries(item as Record<string, Operation>).map(([method, operation]) => [
          method,
          completed(operation),
        ]),
      ),
    ]),
  );
  const named = [RefusalAnswer.name, ...Object.keys(made.components?.schemas ?? {})];
  const schemas = classSchemas(named, SCHEMAS);
  return { ...made, paths, components: { ...made.components, schemas } };
}
