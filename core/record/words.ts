/** Words that a sheet chooses from, apart from its schema, so that a page that only shows them need not carry it. */
export const USES = ['road', 'race', 'marine', 'generator', 'farm', 'aircraft'] as const
export const SCHOOLS = ['auto', 'maker', 'per-thousand', 'rod-feed', 'own'] as const
export const CAUTION_STATIONS = ['bearings', 'pump', 'relief', 'pickup', 'passages', 'prime', 'start'] as const
/** The finding that stands where something was noted or photographed and nobody has said yet how it is. */
export const NOT_LOOKED_AT = 'not-looked-at'
