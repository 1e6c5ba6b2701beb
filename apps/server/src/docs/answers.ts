import { HttpCode, applyDecorators, type Type } from "@nestjs/common";
import { ApiBody, ApiConsumes, ApiOperation, ApiResponse } from "@nestjs/swagger";

/** How the document names the way to be signed in. */
export const SESSION = "session";

/** A class of the contract, or a list of such. */
type Shape = Type<object> | readonly [Type<object>];

const answer = (status: number, summary: string, shape: Shape) => {
  const [type, isArray] = Array.isArray(shape)
    ? [shape[0] as Type<object>, true]
    : [shape as Type<object>, false];
  return applyDecorators(
    HttpCode(status),
    ApiOperation({ summary }),
    ApiResponse({ status, type, isArray, description: "done" }),
  );
};

/** What an address is for, and what it answers: 200 and something of this shape. */
export const Answers = (summary: string, shape: Shape) => answer(200, summary, shape);

/** 201 and what was made. */
export const AnswersNew = (summary: string, shape: Shape) => answer(201, summary, shape);

/** 204: it is done, and there is nothing to say. */
export const AnswersNothing = (summary: string) =>
  applyDecorators(
    HttpCode(204),
    ApiOperation({ summary }),
    ApiResponse({ status: 204, description: "done" }),
  );

/** 200 and a file, or a stream, of a media type. */
export const AnswersFile = (summary: string, mediaType: string) =>
  applyDecorators(
    HttpCode(200),
    ApiOperation({ summary }),
    ApiResponse({
      ...{ status: 200, description: "the file" },
      content: { [mediaType]: { schema: { type: "string" } } },
    }),
  );

/** A body that is a file itself, and no JSON. */
export const TakesFile = (mediaType: string) =>
  applyDecorators(
    ApiConsumes(mediaType),
    ApiBody({ required: true, schema: { type: "string", format: "binary" } }),
  );
