/**
 * Selling from another site: links and pieces of HTML that open the counter with something in the basket. What a link
 * says is signed, so that nobody can change it on the way; what it costs is priced by the live edition all the same.
 */
package vestcoin.app.embedding;
