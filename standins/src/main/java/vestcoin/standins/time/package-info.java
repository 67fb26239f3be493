/** The clock that services and application share, which can be moved on. */
package vestcoin.standins.time;
