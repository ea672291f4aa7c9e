/** The height of one string in the chart, px. */
export const ROW = 76
