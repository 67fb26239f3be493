/**
 * What services outside have in common: how they are reached, what opens them, that they may be silent or refuse. One
 * interface a kind of service lies where it is used; docs/adapters.md tells how to add a real provider.
 */
package vestcoin.app.outside;
