/** What was sold: papers added up by day, week, month or quarter, and every line of them as a file. */
package vestcoin.app.sales;
