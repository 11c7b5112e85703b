/** First day of the week, as the club writes its weeks. */
export const WEEK_STARTS = ['monday', 'sunday', 'saturday'] as const;
export type WeekStart = (typeof WEEK_STARTS)[number];

/** Which comes first where the club writes a day in figures. */
export const DATE_ORDERS = ['dayFirst', 'monthFirst'] as const;
export type DateOrder = (typeof DATE_ORDERS)[number];

export const THEMES = ['light', 'dark'] as const;
export type Theme = (typeof THEMES)[number];
