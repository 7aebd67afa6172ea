/** English stands by area in en/ and travels with the parts that use it: nothing of it comes ahead of them. */
export default {}
