/**
 * What a seller should know about a setup before a buyer finds out. In: a compiled setup, the states of its gateways.
 * Out: findings with a severity, the path to mend and a remedy. Knows every package before it.
 */
package vestcoin.core.finding;
