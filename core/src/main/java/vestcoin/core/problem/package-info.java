/**
 * What is wrong with an input, told so that a person can mend it. In: nothing. Out:
 * {@link vestcoin.core.problem.Problem}s with a path, a sentence and a remedy. Everything else in the core may use it;
 * it knows nobody.
 */
package vestcoin.core.problem;
