package taxon.app.checks;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import taxon.core.dmx.Slot;
import taxon.core.dmx.UniverseNumber;
import taxon.core.proof.FoundUnit;
import taxon.core.proof.FoundUnit.FoundBlock;
import taxon.core.proof.UnitSays;
import taxon.core.proof.UnitSays.Axes;
import taxon.wire.artnet.link.RdmClient;
import taxon.wire.artnet.link.RdmClient.RdmException;
import taxon.wire.bytes.ByteReader;
import taxon.wire.bytes.Bytes;
import taxon.wire.bytes.MalformedPacketException;
import taxon.wire.rdm.codec.DeviceInfo;
import taxon.wire.rdm.codec.Pid;
import taxon.wire.rdm.codec.SensorDefinition;
import taxon.wire.rdm.codec.StatusMessage;
import taxon.wire.rdm.codec.Uid;

/** Asks one unit for all that is compared, and for what else it says of itself. What it does not know is left empty. */
public final class UnitReader {
    private static final int MOST_SUB_DEVICES = 64;
    private static final int MOST_SENSORS = 16;
    private static final int MOST_STATUS = 25;
    private static final int CELSIUS = 1;

    private final RdmClient client;
    private final Uid uid;

    private UnitReader(RdmClient client, Uid uid) {
        this.client = client;
        this.uid = uid;
    }

    /**
     * Reads a unit.
     *
     * @param universe the planned universe of the port that it answers through
     * @throws RdmException when it does not answer, refuses, or has no start address
     */
    public static FoundUnit read(RdmClient client, UniverseNumber universe, Uid uid)
            throws RdmException, IOException, InterruptedException {
        client.begin();
        return new UnitReader(client, uid).read(universe);
    }

    private FoundUnit read(UniverseNumber universe) throws RdmException, IOException, InterruptedException {
        DeviceInfo info = client.deviceInfo(uid, 0);
        List<FoundBlock> blocks = new ArrayList<>(List.of(block(info)));
        for (int sub = 1; sub <= Math.min(info.subDevices(), MOST_SUB_DEVICES); sub++) {
            blocks.add(block(client.deviceInfo(uid, sub)));
        }
        return new FoundUnit(
                universe,
                uid.toString(),
                client.textIfAny(uid, Pid.MANUFACTURER_LABEL).orElse(""),
                client.textIfAny(uid, Pid.DEVICE_MODEL_DESCRIPTION).orElse(""),
                client.textIfAny(uid, Pid.DEVICE_LABEL).orElse(""),
                info.personality(),
                client.personalityName(uid, info.personality()).orElse(""),
                Optional.of(info.softwareVersion()),
                says(info),
                blocks);
    }

    private FoundBlock block(DeviceInfo info) throws RdmException {
        if (!Slot.isLegal(info.startAddress())) {
            throw new RdmException(uid, "has no start address");
        }
        return new FoundBlock(Slot.of(info.startAddress()), info.footprint());
    }

    /** Only what the unit says that it has is asked for: questions that are refused cost as much time as others. */
    private UnitSays says(DeviceInfo info) throws RdmException, IOException, InterruptedException {
        Set<Integer> has = client.supported(uid);
        return new UnitSays(
                client.textIfAny(uid, Pid.SOFTWARE_VERSION_LABEL).orElse(""),
                number(has, Pid.DEVICE_HOURS),
                number(has, Pid.LAMP_HOURS),
                has.contains(Pid.SENSOR_VALUE) ? sensors(info.sensors(), has) : List.of(),
                has.contains(Pid.STATUS_MESSAGES) ? status() : List.of(),
                new Axes(isOn(has, Pid.PAN_INVERT), isOn(has, Pid.TILT_INVERT), isOn(has, Pid.PAN_TILT_SWAP)),
                isOn(Set.of(Pid.IDENTIFY_DEVICE), Pid.IDENTIFY_DEVICE).orElse(false),
                info.personalityCount());
    }

    private Optional<Long> number(Set<Integer> has, int pid) throws RdmException, IOException, InterruptedException {
        Optional<Bytes> said = get(has, pid, Bytes.NONE).filter(b -> b.length() == Integer.BYTES);
        return said.isPresent() ? Optional.of(read(said.get(), ByteReader::u32)) : Optional.empty();
    }

    private Optional<Boolean> isOn(Set<Integer> has, int pid) throws RdmException, IOException, InterruptedException {
        return get(has, pid, Bytes.NONE).filter(b -> b.length() == 1).map(b -> b.toArray()[0] == 1);
    }

    private Optional<Bytes> get(Set<Integer> has, int pid, Bytes data)
            throws RdmException, IOException, InterruptedException {
        return has.contains(pid) ? client.getIfAny(uid, 0, pid, data) : Optional.empty();
    }

    private interface Reading<T> {
        T from(ByteReader in) throws MalformedPacketException;
    }

    private <T> T read(Bytes data, Reading<T> reading) throws RdmException {
        try {
            return reading.from(data.reader());
        } catch (MalformedPacketException e) {
            throw new RdmException(uid, "gave an answer that cannot be read: " + e.getMessage());
        }
    }

    private List<String> sensors(int count, Set<Integer> has) throws RdmException, IOException, InterruptedException {
        List<String> sensors = new ArrayList<>();
        for (int number = 0; number < Math.min(count, MOST_SENSORS); number++) {
            Optional<Bytes> value = client.getIfAny(uid, 0, Pid.SENSOR_VALUE, Bytes.of(number));
            Optional<Bytes> what = get(has, Pid.SENSOR_DEFINITION, Bytes.of(number));
            if (value.isPresent()) {
                sensors.add(sensor(number, value.get(), what));
            }
        }
        return sensors;
    }

    private String sensor(int number, Bytes value, Optional<Bytes> what) throws RdmException {
        int now = read(value, in -> {
            in.skip(1);
            return (int) (short) in.u16();
        });
        if (what.isEmpty()) {
            return "sensor " + (number + 1) + " " + now;
        }
        SensorDefinition definition = read(what.get(), in -> SensorDefinition.decode(what.get()));
        String unit = definition.unit() == CELSIUS && definition.prefix() == 0 ? " °C" : "";
        return String.format(Locale.ROOT, "%s %d%s", definition.name().strip(), now, unit)
                .strip();
    }

    private List<String> status() throws RdmException, IOException, InterruptedException {
        Optional<Bytes> said = client.getIfAny(uid, 0, Pid.STATUS_MESSAGES, Bytes.of(StatusMessage.ADVISORY));
        return said.isEmpty()
                ? List.of()
                : read(said.get(), in -> StatusMessage.decode(said.get())).stream()
                        .limit(MOST_STATUS)
                        .map(StatusMessage::words)
                        .toList();
    }
}
