/** Seconds a scene holds after its last word unless it says otherwise. */
export const USUAL_TAIL = 0.85;
export const LONGEST_TAIL = 60;
