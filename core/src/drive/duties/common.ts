/** Inputs that need not be given; `more` are folded away. */
export const optional = { optional: true } as const;

export const more = { optional: true, more: true } as const;
