/** The benchmarks: the main job beside the same arithmetic by hand, a linear scan and a rule engine. */
package vestcoin.bench;
