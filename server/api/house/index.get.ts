import { getHouse } from '../../data/house'

/** What the shop keeps for all builds. */
export default defineEventHandler(() => getHouse(requireDatabase()))
