package taxon.app.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.transaction.support.TransactionTemplate;
import taxon.app.edit.JobEditor;
import taxon.app.testing.TaxonServer;
import taxon.core.rig.ElementKey;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.Plan;
import taxon.core.rig.PlanDelta;
import taxon.core.testing.Rigs;

/** The store writes, reads, changes and drops an element of every kind that there is. */
class EveryKindKeptTest {

    @Test
    void aPlanWithEveryKindComesBackFromTheFileAsItWas() {
        Path data = TaxonServer.readyStore();
        List<Plan> plans = List.of(Rigs.ofEveryKind(1), Rigs.ofEveryKind(2), Rigs.ofEveryKind(3));
        try (TaxonServer server = TaxonServer.on(data)) {
            plans.forEach(p -> server.bean(JobEditor.class).make(p));
        }
        try (TaxonServer server = TaxonServer.on(data)) {
            for (int i = 0; i < plans.size(); i++) {
                assertThat(plan(server, i + 1)).isEqualTo(plans.get(i));
            }
        }
    }

    @Test
    void everyKindIsChangedInItsPlaceAndDropped() {
        try (TaxonServer server = TaxonServer.empty()) {
            Plan plan = Rigs.ofEveryKind(4);
            int job = server.bean(JobEditor.class).make(plan);
            Plan other = Rigs.ofEveryKind(5);
            write(server, job, PlanDelta.between(plan, other));
            assertThat(plan(server, job)).isEqualTo(other);
            for (Kind kind : Kind.values()) {
                if (kind != Kind.JOB_SHEET && kind != Kind.TYPE && kind != Kind.POSITION && kind != Kind.BOX) {
                    other = without(server, job, other, kind);
                }
            }
            // What others referred to goes last.
            for (Kind kind : List.of(Kind.TYPE, Kind.BOX, Kind.POSITION)) {
                other = without(server, job, other, kind);
            }
            assertThat(plan(server, job).elements()).hasSize(1);
        }
    }

    private static Plan without(TaxonServer server, int job, Plan plan, Kind kind) {
        List<ElementKey> keys =
                plan.elements().keySet().stream().filter(k -> k.kind() == kind).toList();
        Plan less = plan.without(keys);
        write(server, job, PlanDelta.between(plan, less));
        assertThat(plan(server, job)).as("without " + kind).isEqualTo(less);
        return less;
    }

    private static void write(TaxonServer server, int job, PlanDelta delta) {
        server.bean(TransactionTemplate.class)
                .executeWithoutResult(s -> server.bean(PlanStore.class).write(job, delta));
    }

    private static Plan plan(TaxonServer server, int job) {
        return server.bean(PlanStore.class).load(job).orElseThrow().plan();
    }
}
