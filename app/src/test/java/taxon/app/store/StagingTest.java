package taxon.app.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javax.sql.DataSource;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.transaction.support.TransactionTemplate;
import taxon.app.testing.Http;
import taxon.app.testing.TaxonServer;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.FixtureType;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.PlanDelta;
import taxon.core.testing.Rigs;

/** Long edits: written beside, a few at a time, and taken over in a moment. */
class StagingTest {
    private static final int MANY = 5_000;

    private static Plan longRig() {
        Plan plan = Rigs.empty();
        FixtureType type = Rigs.type("t", 12);
        for (int i = 0; i < MANY / 1_000; i++) {
            plan = Rigs.add(plan, type, 1_000, Optional.of(1 + i * 1_000), Optional.of(StartAddress.of(1 + i, 1)));
        }
        return plan;
    }

    private static int staged(TaxonServer server) {
        JdbcTemplate jdbc = new JdbcTemplate(server.bean(DataSource.class));
        return jdbc.queryForObject(
                "select (select count(*) from fixture_staged) + (select count(*) from address_staged)", Integer.class);
    }

    @Test
    void aLongEditIsKeptWholeAndLeavesNothingBeside() {
        Path data = TaxonServer.readyStore();
        try (TaxonServer server = TaxonServer.on(data)) {
            Http http = server.http();
            http.post("/jobs", "name", "Long");
            for (String first : List.of("1", "1001", "2001", "3001")) {
                http.post(
                        "/jobs/1/fixtures",
                        "version",
                        http.version(1),
                        "count",
                        1_000,
                        "type",
                        "generic-rgb/3-channel",
                        "firstId",
                        first);
            }
            assertThat(http.post("/jobs/1/fixtures/remove", "version", http.version(1), "keys", "1-4000")
                            .status())
                    .isEqualTo(200);
            // Undone, all of them come back at once.
            assertThat(http.post("/jobs/1/undo", "version", http.version(1)).status())
                    .isEqualTo(200);
            assertThat(staged(server)).isZero();
        }
        try (TaxonServer server = TaxonServer.on(data)) {
            assertThat(server.http().get("/jobs/1/fixtures").json().path("fixtures"))
                    .hasSize(4_000);
        }
    }

    @Test
    void stagedFixturesAndAddressesAreTheSameAsThoseWrittenAtOnce() {
        try (TaxonServer server = TaxonServer.empty()) {
            PlanStore plans = server.bean(PlanStore.class);
            JobStore jobs = server.bean(JobStore.class);
            TransactionTemplate transaction = server.bean(TransactionTemplate.class);
            int job = transaction.execute(status -> jobs.make("Long"));
            Plan before = plans.load(job).orElseThrow().plan();
            Plan rig = longRig();
            write(plans, transaction, job, PlanDelta.between(before, rig));
            assertThat(plans.load(job).orElseThrow().plan()).isEqualTo(rig);
            // Again, with other words and without addresses: what was there is replaced.
            Plan other = rig.with(rig.fixtures().stream()
                    .map(f -> f.withWords("Unit " + f.key(), "").withAddress(1, Optional.empty()))
                    .toList());
            write(plans, transaction, job, PlanDelta.between(rig, other));
            assertThat(plans.load(job).orElseThrow().plan()).isEqualTo(other);
            assertThat(staged(server)).isZero();
        }
    }

    private static void write(PlanStore plans, TransactionTemplate transaction, int job, PlanDelta delta) {
        PlanStore.Writing writing = plans.writing(job, delta);
        transaction.executeWithoutResult(status -> writing.rows().run());
        writing.afterwards().run();
    }

    @Test
    void whatWasStagedForAnEditThatIsGoneIsNeverTakenOver() {
        try (TaxonServer server = TaxonServer.empty()) {
            PlanStore plans = server.bean(PlanStore.class);
            TransactionTemplate transaction = server.bean(TransactionTemplate.class);
            int job = transaction.execute(status -> server.bean(JobStore.class).make("Long"));
            Plan before = plans.load(job).orElseThrow().plan();
            PlanStore.Writing writing = plans.writing(job, PlanDelta.between(before, longRig()));
            assertThat(staged(server)).isGreaterThan(MANY);
            server.bean(Staging.class).clear();
            assertThatThrownBy(() -> transaction.executeWithoutResult(
                            status -> writing.rows().run()))
                    .hasMessageContaining("0 of " + MANY);
            assertThat(plans.load(job).orElseThrow().plan().fixtures())
                    .extracting(Fixture::key)
                    .isEmpty();
        }
    }
}
