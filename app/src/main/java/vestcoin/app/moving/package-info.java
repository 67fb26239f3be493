/** Goods files from elsewhere, of any headings: read, matched to what a product has, looked at, taken in. */
package vestcoin.app.moving;
