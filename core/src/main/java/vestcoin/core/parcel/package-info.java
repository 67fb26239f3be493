/**
 * What an order is packed into. In: the physical lines that leave one place, the seller's parcel types. Out: parcels
 * with what is in them, their weight and outer size, and the weight a carrier charges. Packing is a library's
 * (3d-bin-container-packing), stopped after a fixed count. Knows {@code problem money why place calendar goods}.
 */
package vestcoin.core.parcel;
