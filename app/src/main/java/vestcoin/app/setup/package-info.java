/** The setup as the seller changes it: one draft, its edits with undo, and the editions it is published as. */
package vestcoin.app.setup;
