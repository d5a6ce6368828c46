/** How the ribbon lays time out. */
export const PIXELS_A_SECOND = 176;
export const MARGIN = 18;

export const xOf = (seconds: number) => MARGIN + seconds * PIXELS_A_SECOND;
