/** kB of compressed script and style. */
export function firstPageKb(): number;
