/** The ticket: one order priced by the draft as it stands, or as it would stand, beside what buyers pay now. */
package vestcoin.app.ticket;
