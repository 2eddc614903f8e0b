package taxon.app.store;

import java.util.ArrayList;
import java.util.List;
import taxon.app.store.PlanRows.AddressRow;
import taxon.app.store.PlanRows.FixtureRow;
import taxon.core.rig.Fixture;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ArrayNode;

/**
 * Fixtures that are written together: one statement for any number of them, so that a long list holds the store up for no longer
 * than the disk needs.
 */
final class FixtureBatch {
    private final List<Fixture> fixtures = new ArrayList<>();

    void add(Fixture fixture) {
        fixtures.add(fixture);
    }

    boolean isEmpty() {
        return fixtures.isEmpty();
    }

    /** Writes what was added, each with its addresses, when it is run; what is written is made ready at once. */
    Runnable writing(int job, PlanMapper rows) {
        ArrayNode keys = Json.array();
        ArrayNode values = Json.array();
        ArrayNode addresses = Json.array();
        for (Fixture fixture : fixtures) {
            keys.add(fixture.key().number());
            put(values.addArray(), FixtureRow.of(fixture));
            fixture.addresses().forEach((block, a) -> put(addresses.addArray(), AddressRow.of(fixture, block, a)));
        }
        String written = values.toString();
        String moved = keys.toString();
        String placed = addresses.toString();
        return () -> {
            rows.putFixtures(job, written);
            rows.dropAddresses(job, moved);
            rows.putAddresses(job, placed);
        };
    }

    private static void put(ArrayNode cells, FixtureRow row) {
        cells.add(row.number())
                .add(row.fixtureId())
                .add(row.typeId())
                .add(row.mode())
                .add(row.position())
                .add(row.unit())
                .add(row.name())
                .add(row.note())
                .add(row.offsetUm())
                .add(row.traits())
                .add(row.uuid());
    }

    private static void put(ArrayNode cells, AddressRow row) {
        cells.add(row.fixture()).add(row.block()).add(row.universe()).add(row.slot());
    }
}
