/** Which end of the bounds of lengths and powers a calculation takes. */
export type Estimate = "low" | "value" | "high";
