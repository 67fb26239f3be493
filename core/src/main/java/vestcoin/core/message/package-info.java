/**
 * What the core says, as data: a code of the catalogue and named arguments. In: nothing. Out:
 * {@link vestcoin.core.message.Message}s, phrased at the edge in the reader's language. Everything else in the core may
 * use it; it knows nobody, and no language.
 */
package vestcoin.core.message;
