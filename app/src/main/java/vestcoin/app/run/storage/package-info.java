/**
 * How data lies on the disk: what is answered for is on it, indexes are held true after a kill, a database that lost
 * something is not opened as if nothing had happened, and all of it can be taken away as a backup and brought back.
 */
package vestcoin.app.run.storage;
