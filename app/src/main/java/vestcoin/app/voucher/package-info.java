/** Vouchers sold: issued once their order is paid, handed over on their day, taken back when they are refunded. */
package vestcoin.app.voucher;
