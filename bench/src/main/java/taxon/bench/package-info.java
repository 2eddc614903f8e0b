/** Benchmarks of the core, and the figures that they print. */
@NullMarked
package taxon.bench;

import org.jspecify.annotations.NullMarked;
