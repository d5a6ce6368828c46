/** LU below the voice above which words begin to blur under music. */
export const BLURS = 15;
