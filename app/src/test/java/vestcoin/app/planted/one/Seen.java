package vestcoin.app.planted.one;

/** A retired name, planted to see that it is found. */
interface Seen {}
