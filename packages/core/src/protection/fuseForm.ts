/** A kind of fuse by the direct voltage that it breaks. */
export interface FuseForm {
  readonly name: string;
  readonly breaksV: number;
}

/**
 * Forms of fuse in the order in which they are taken: the common blade to 32 V and the one for
 * 58 V (ISO 8820-3, from memory), then what is made for 80 V and above.
 */
export const FUSE_FORMS: readonly FuseForm[] = [
  { name: "blade fuse", breaksV: 32 },
  { name: "58 V blade fuse", breaksV: 58 },
  { name: "80 V fuse", breaksV: 80 },
  { name: "125 V fuse", breaksV: 125 },
];

/**
 * The first form that breaks the most a source can show: 14 lithium-ion cells and 24 lead cells
 * pass 58 V while they charge, and take the next.
 */
export const fuseFormFor = (volts: number): FuseForm =>
  FUSE_FORMS.find((form) => volts <= form.breaksV) ?? {
    name: `fuse for ${Math.ceil(volts)} V direct`,
    breaksV: Math.ceil(volts),
  };
