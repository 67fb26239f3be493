/** What every request meets first: who may ask what, how much may be sent, how a refusal is told. */
package vestcoin.app.edge;
