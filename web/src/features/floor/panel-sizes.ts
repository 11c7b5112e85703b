/** Heights of what is tapped: as much as the screen has, never less than a thumb with chalk on it needs. */
export const FIRST = 'min-h-[clamp(4rem,11dvh,6rem)]';
export const SECOND = 'min-h-[clamp(3.25rem,9dvh,5rem)]';
