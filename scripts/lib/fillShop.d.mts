/** Statements of the database's own language. */
export function fillJobs(more: number): string;
export function fillParts(more: number): string;
