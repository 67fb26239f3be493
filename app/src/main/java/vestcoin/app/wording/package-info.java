/**
 * What buyers read, as a sheet for a translator: names and sentences of the setup and the phrases of counter, letters
 * and papers go out as CSV (RFC 4180) or XLIFF 2.1, and come back into the draft after a look at what they change.
 */
package vestcoin.app.wording;
