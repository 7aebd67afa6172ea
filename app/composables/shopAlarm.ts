/** The start that the server's watch has called off and that lies over this page now, in words; undefined where none does. Apart from what shows it, for what says it. */
export const shopAlarm = ref<string>()
