package taxon.core.paper;

import java.math.BigDecimal;
import java.util.Optional;
import java.util.stream.Collectors;
import taxon.core.length.Length;
import taxon.core.proof.Standing;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;

/** What stands of a fixture in one cell, the same on every paper. */
final class FixtureCells {
    private final Plan plan;

    FixtureCells(Plan plan) {
        this.plan = plan;
    }

    /** Its ID as a number; what stands for it where it has none. */
    static Cell id(Fixture fixture) {
        return fixture.id()
                .<Cell>map(i -> new Cell.Figure(new BigDecimal(i.toString()), fixture.label()))
                .orElse(Cell.of(fixture.label()));
    }

    Cell type(Fixture fixture) {
        return Cell.of(plan.type(fixture).fullName());
    }

    static Cell mode(Fixture fixture) {
        return Cell.of(fixture.mode());
    }

    Cell position(Fixture fixture) {
        return Cell.of(plan.position(fixture).name());
    }

    static Cell unit(Fixture fixture) {
        return Cell.of(fixture.unit());
    }

    Cell standing(PlannedBlock block) {
        return Cell.of(Standing.of(block, plan).words());
    }

    /** Of a fixture as its blocks are: one word, or one for each. */
    Cell standing(Fixture fixture) {
        return Cell.of(plan.blocksOf(fixture).stream()
                .map(b -> Standing.of(b, plan).words())
                .distinct()
                .collect(Collectors.joining(", ")));
    }

    Cell length(Length length) {
        return new Cell.Figure(metres(length), plan.sheet().view().unit().words(length));
    }

    Cell length(Optional<Length> length) {
        return length.map(this::length).orElse(Cell.EMPTY);
    }

    /** In metres, whatever the job reads lengths in. */
    static BigDecimal metres(Length length) {
        BigDecimal metres = BigDecimal.valueOf(length.micrometres(), 6).stripTrailingZeros();
        return metres.scale() < 0 ? metres.setScale(0) : metres;
    }
}
