/**
 * Two patches held against each other, neither of which is the truth: a plan, a list that somebody brought, a revision, a scene, or what was
 * read from the rig. Rows are matched, differences are typed, and patterns that explain many of them are found before single rows are told.
 * Pure.
 */
@NullMarked
package taxon.core.compare;

import org.jspecify.annotations.NullMarked;
