/** Words that a sheet chooses from, apart from its schema, so that a page that only shows them need not carry it. */
export const USES = ['road', 'race', 'marine', 'generator', 'farm', 'aircraft'] as const
export const SCHOOLS = ['auto', 'maker', 'per-thousand', 'rod-feed'] as const
