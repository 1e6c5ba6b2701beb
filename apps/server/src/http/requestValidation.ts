import { ValidationPipe } from "@nestjs/common";
import { flattenErrors } from "@dragonet/contract";
import { notValid } from "./refusal.ts";

/** Requests are checked against their class; every fault is answered with its place. */
export const requestValidation = (): ValidationPipe =>
  new ValidationPipe({
    transform: true,
    whitelist: true,
    forbidNonWhitelisted: true,
    exceptionFactory: (errors) => {
      const faults = flattenErrors(errors);
      return notValid(faults.map((f) => `${f.path}: ${f.message}`).join("; "), faults);
    },
  });
