import { getHouse } from '../../data/house'

export default describedHandler({ about: 'What the shop keeps for all builds.' }, () => getHouse(requireDatabase()))
