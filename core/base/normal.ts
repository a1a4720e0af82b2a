/** Standard deviations beyond which one in ten of a normal lies: 8 in 10 lie within, either way. */
export const TENTH_Z = 1.2816;
