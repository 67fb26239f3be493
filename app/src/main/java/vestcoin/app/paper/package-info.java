/**
 * Invoices and credit notes: numbered without gaps, written once and never changed, as UBL 2.1 by EN 16931 and as PDF.
 */
package vestcoin.app.paper;
