package taxon.app.store;

import java.util.List;
import taxon.app.store.PlanRows.AddressRow;
import taxon.app.store.PlanRows.FixtureRow;
import taxon.core.rig.Fixture;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ArrayNode;

/** Fixtures that are written together, each kind of row as one JSON array: one statement for any number of them. */
final class FixtureBatch {
    private final List<Fixture> fixtures;

    FixtureBatch(List<Fixture> fixtures) {
        this.fixtures = List.copyOf(fixtures);
    }

    /** Writes them, each with its addresses, when it is run; what is written is made ready at once. */
    Runnable writing(int job, PlanMapper rows) {
        String written = values();
        String moved = keys();
        String placed = addresses();
        return () -> {
            rows.putFixtures(job, written);
            rows.dropAddresses(job, moved);
            rows.putAddresses(job, placed);
        };
    }

    private String keys() {
        ArrayNode keys = Json.array();
        fixtures.forEach(f -> keys.add(f.key().number()));
        return keys.toString();
    }

    /** Of each an array of its columns from the number on. */
    String values() {
        ArrayNode values = Json.array();
        fixtures.forEach(f -> put(values.addArray(), FixtureRow.of(f)));
        return values.toString();
    }

    /** Of each address an array of fixture, block, universe and slot. */
    String addresses() {
        ArrayNode addresses = Json.array();
        fixtures.forEach(f ->
                f.addresses().forEach((block, a) -> put(addresses.addArray(), AddressRow.of(f, block, a))));
        return addresses.toString();
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
