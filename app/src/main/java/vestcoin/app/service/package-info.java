/**
 * Services outside that a shop connects to price by: a carrier, exchange rates. What they answer is kept for a while,
 * and stays out of the core.
 */
package vestcoin.app.service;
