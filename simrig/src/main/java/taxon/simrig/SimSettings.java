package taxon.simrig;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import taxon.core.network.BoxPort.WhenLost;
import taxon.core.network.PortAddress;
import taxon.core.network.SacnUniverse;
import taxon.core.text.Counted;
import taxon.wire.artnet.codec.ArtPacket;
import taxon.wire.artnet.codec.ArtPacket.Flow;
import taxon.wire.artnet.codec.ProgramCommand;

/**
 * How a simulated box is set: what faults spoil and what is programmed.
 *
 * @param prefix of its mask
 * @param ports all of a page have one Net and Sub-Net
 */
record SimSettings(String name, int prefix, WhenLost whenLost, List<SimPort> ports) {
    static final int PORTS_OF_A_PAGE = 4;

    /** Commands of one kind follow each other by port (ArtAddress, from memory). */
    private static final int KIND = 0xF0;

    SimSettings {
        ports = List.copyOf(ports);
        pages(ports).forEach(page -> requireOneSubNet(name, page));
    }

    private static List<List<SimPort>> pages(List<SimPort> ports) {
        List<List<SimPort>> pages = new ArrayList<>();
        for (int from = 0; from < ports.size(); from += PORTS_OF_A_PAGE) {
            pages.add(ports.subList(from, Math.min(from + PORTS_OF_A_PAGE, ports.size())));
        }
        return pages;
    }

    /** Its ports as replies describe them, four at most in each. */
    List<List<SimPort>> pages() {
        return pages(ports);
    }

    private static void requireOneSubNet(String name, List<SimPort> page) {
        if (page.stream().map(p -> p.address().number() >> 4).distinct().count() > 1) {
            throw new IllegalArgumentException("ports of " + name + " differ in Net or Sub-Net");
        }
    }

    /** @throws IllegalArgumentException when it has no such port, or a universe leaves the Net and Sub-Net of its page */
    SimSettings spoiled(SimFault fault) {
        if (fault instanceof SimFault.OtherName f) {
            return new SimSettings(f.name(), prefix, whenLost, ports);
        }
        if (fault instanceof SimFault.OtherMask f) {
            return new SimSettings(name, f.prefix(), whenLost, ports);
        }
        if (fault instanceof SimFault.OtherWhenLost f) {
            return new SimSettings(name, prefix, f.does(), ports);
        }
        if (fault instanceof SimFault.OtherUniverse f) {
            return with(f.port(), port(f.port()).at(f.address()));
        }
        if (fault instanceof SimFault.PortIsInput f) {
            return with(f.port(), port(f.port()).turned(Flow.IN));
        }
        if (fault instanceof SimFault.PortIsOff f) {
            return with(f.port(), port(f.port()).turned(Flow.NONE));
        }
        if (fault instanceof SimFault.TakesLatest f) {
            return with(f.port(), port(f.port()).takingLatest(true));
        }
        if (fault instanceof SimFault.RdmIsOff f) {
            return with(f.port(), port(f.port()).withRdm(false));
        }
        return fault instanceof SimFault.LinksLost f
                ? with(f.port(), port(f.port()).unheard())
                : this;
    }

    private SimPort port(int number) {
        if (number < 1 || number > ports.size()) {
            throw new IllegalArgumentException(
                    name + " has " + Counted.of(ports.size(), "port") + ", and none of number " + number);
        }
        return ports.get(number - 1);
    }

    private SimSettings with(int number, SimPort changed) {
        List<SimPort> all = new ArrayList<>(ports);
        all.set(number - 1, changed);
        return new SimSettings(name, prefix, whenLost, all);
    }

    private SimSettings named(String changed) {
        return changed.isEmpty() ? this : new SimSettings(changed, prefix, whenLost, ports);
    }

    /** The same as an ArtAddress programs it; a page that it has not changes nothing. */
    SimSettings programmed(ArtPacket.Address program) {
        int first = Math.max(0, program.bindIndex() - 1) * PORTS_OF_A_PAGE;
        SimSettings now = named(program.shortName());
        List<SimPort> all = new ArrayList<>(ports);
        for (int i = 1; i <= PORTS_OF_A_PAGE && first + i <= ports.size(); i++) {
            all.set(first + i - 1, addressed(all.get(first + i - 1), i, program));
        }
        return ports.size() > first
                ? new SimSettings(now.name, prefix, whenLost, all).told(first, program.command())
                : this;
    }

    private static SimPort addressed(SimPort port, int onPage, ArtPacket.Address program) {
        var said = port.flow() == Flow.IN ? program.inputs() : program.outputs();
        return port.at(PortAddress.of(
                program.net().orElse(port.address().net()),
                program.subNet().orElse(port.address().subNet()),
                said.getOrDefault(onPage, port.address().universe())));
    }

    private SimSettings told(int first, ProgramCommand command) {
        int code = command.code();
        int number = first + 1 + (code & 3);
        boolean ofPort = code >= 0x10 && number <= ports.size() && (code & 0xF) < PORTS_OF_A_PAGE;
        SimSettings failing = command.failsafe()
                .map(w -> new SimSettings(name, prefix, w, ports))
                .orElse(this);
        return ofPort ? with(number, toldPort(ports.get(number - 1), code & KIND)) : failing;
    }

    private static SimPort toldPort(SimPort port, int kind) {
        return switch (kind) {
            case 0x10 -> port.takingLatest(true);
            case 0x20 -> port.turned(Flow.OUT);
            case 0x30 -> port.turned(Flow.IN);
            case 0x50 -> port.takingLatest(false);
            case 0x60 -> port.takingArtNet();
            case 0x70 -> port.taking(new SacnUniverse(Math.max(1, port.address().number())));
            case 0xC0 -> port.withRdm(true);
            case 0xD0 -> port.withRdm(false);
            default -> port;
        };
    }

    /** The universes of streaming ACN that its ports take. */
    List<SacnUniverse> groups() {
        return ports.stream().map(SimPort::sacn).flatMap(Optional::stream).toList();
    }
}
