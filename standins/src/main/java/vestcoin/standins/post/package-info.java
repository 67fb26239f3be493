/** A simulated post room: every e-mail a shop sends, readable in the browser. */
package vestcoin.standins.post;
