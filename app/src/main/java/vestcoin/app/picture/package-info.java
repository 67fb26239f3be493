/** Pictures of goods: sized when they come in, served to whoever looks at the goods. */
package vestcoin.app.picture;
