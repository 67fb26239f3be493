/** The rehearsal: the draft tried on many orders at once, beside what is live. */
package vestcoin.app.rehearsal;
