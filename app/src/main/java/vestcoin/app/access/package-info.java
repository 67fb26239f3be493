/** Who works at the desk: signing in and out, locking out, the first owner, which shops a person may open. */
package vestcoin.app.access;
