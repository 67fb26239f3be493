/** Starting: the commands, the demo's shop and orders, the contract written to files. */
package vestcoin.app.run;
