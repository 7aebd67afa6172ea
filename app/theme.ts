import { definePreset } from '@primeuix/themes'
import Aura from '@primeuix/themes/aura'
export default { preset: definePreset(Aura, {}) }
