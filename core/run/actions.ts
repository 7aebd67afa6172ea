/** What a hand on an engine's switch and throttle does, in a word. */
export type RigAction = 'crank' | 'fire' | 'cold-idle' | 'fast-idle' | 'idle' | 'working' | 'stop'
