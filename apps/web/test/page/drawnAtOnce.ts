/** What a press asks for is there at once: what comes piece by piece has tests of its own. */
export const useAfterPaint = (asked: boolean): boolean => asked;
