package taxon.wire.artnet.codec;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import taxon.core.dmx.Slot;
import taxon.core.network.BoxPort.WhenLost;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.wire.bytes.ByteWriter;
import taxon.wire.bytes.Bytes;
import taxon.wire.bytes.MalformedPacketException;
import taxon.wire.rdm.codec.RdmMessage;
import taxon.wire.rdm.codec.Uid;

/** A packet of Art-Net 4 (published protocol, from memory). */
public sealed interface ArtPacket {

    /** Asks nodes what they are. */
    record Poll() implements ArtPacket {}

    /**
     * What a node is, and up to four of its ports.
     *
     * @param shortName at most 17 bytes
     * @param longName at most 63 bytes
     * @param firmware the version of its software, 0 to 65535
     * @param net 0 to 127, for all ports of this reply
     * @param subNet 0 to 15, for all ports of this reply
     * @param mac the hardware address, of which no two devices have the same; 48 bits, 0 where it is not said
     * @param bindIndex which reply of the node this is, from 1; 0 from nodes that do not count them
     * @param whenLost what it does when its data stops; empty where it does not say that it knows of such a thing
     * @param switchesProtocol true where it says that its ports can take streaming ACN or Art-Net
     * @param ports at most four
     */
    record PollReply(
            Ipv4 ip,
            String shortName,
            String longName,
            String report,
            int firmware,
            int net,
            int subNet,
            long mac,
            int bindIndex,
            Optional<WhenLost> whenLost,
            boolean switchesProtocol,
            List<Port> ports)
            implements ArtPacket {
        private static final int MAC_BITS = 48;

        public PollReply {
            if (mac >>> MAC_BITS != 0) {
                throw new IllegalArgumentException("a hardware address of more than 48 bits");
            }
            ports = List.copyOf(ports);
            if (ports.size() > 4) {
                throw new IllegalArgumentException(ports.size() + " ports are more than one reply holds, 4");
            }
        }

        /** The Port-Address of one of its ports, counted from 0. */
        public PortAddress portAddress(int index) {
            return PortAddress.of(net, subNet, ports.get(index).universe());
        }
    }

    /**
     * A port between the network and a line.
     *
     * @param universe the low four bits of its Port-Address
     * @param flow which way its data goes
     * @param rdm true when remote management is on
     * @param output what leaves by it
     */
    record Port(int universe, Flow flow, boolean rdm, Output output) {}

    /**
     * What a port says of its output (GoodOutputA, from memory).
     *
     * @param dataFlows true when levels leave by it
     * @param merging true when it joins two sources now
     * @param latest true when it takes the latest of two sources, false when it makes the highest of both
     * @param sacn true when it takes streaming ACN
     */
    record Output(boolean dataFlows, boolean merging, boolean latest, boolean sacn) {
        /** Nothing leaves; of two sources it would make the highest. */
        public static final Output STILL = new Output(false, false, false, false);
    }

    /** Which way data goes through a port. */
    enum Flow {
        /** From the network to the line; also where a node says that it can do both. */
        OUT,
        /** From the line to the network. */
        IN,
        NONE
    }

    /**
     * Programs a page of a node (ArtAddress, from memory). What is empty stays as it is.
     *
     * @param bindIndex which page of the node is meant
     * @param net 0 to 127
     * @param subNet 0 to 15
     * @param shortName at most 17 bytes; empty to leave it
     * @param inputs the low four bits of inputs, by their number on the page from 1 to 4
     * @param outputs the low four bits of outputs, likewise
     */
    record Address(
            int bindIndex,
            OptionalInt net,
            OptionalInt subNet,
            String shortName,
            Map<Integer, Integer> inputs,
            Map<Integer, Integer> outputs,
            ProgramCommand command)
            implements ArtPacket {
        public Address {
            inputs = Map.copyOf(inputs);
            outputs = Map.copyOf(outputs);
        }

        /** One that gives a command and nothing else. */
        public static Address doing(int bindIndex, ProgramCommand command) {
            return new Address(bindIndex, OptionalInt.empty(), OptionalInt.empty(), "", Map.of(), Map.of(), command);
        }

        /** One that gives a name and nothing else. */
        public static Address naming(int bindIndex, String name) {
            return new Address(
                    bindIndex,
                    OptionalInt.empty(),
                    OptionalInt.empty(),
                    name,
                    Map.of(),
                    Map.of(),
                    ProgramCommand.NOTHING);
        }
    }

    /** Gives a node an address and a mask (ArtIpProg with the bits that program them, from memory). */
    record IpProgram(Ipv4 ip, Ipv4 mask) implements ArtPacket {}

    /** Asks a node for its address and mask, and programs nothing. */
    record IpEnquiry() implements ArtPacket {}

    /** The address and mask that a node has. */
    record IpReply(Ipv4 ip, Ipv4 mask) implements ArtPacket {}

    /**
     * Levels for a Port-Address.
     *
     * @param sequence 1 to 255; 0 where it is not in use
     * @param levels 2 to 512 bytes, an even number
     */
    record Dmx(int sequence, int physical, PortAddress address, Bytes levels) implements ArtPacket {
        public Dmx {
            if (levels.length() < 2 || levels.length() > Slot.LAST || levels.length() % 2 != 0) {
                throw new IllegalArgumentException(levels.length() + " levels; it takes an even number, 2 to 512");
            }
        }
    }

    /** Asks for the tables of devices of Port-Addresses that share a Net. */
    record TodRequest(int net, List<Integer> subUnis) implements ArtPacket {
        public TodRequest {
            subUnis = List.copyOf(subUnis);
            if (subUnis.size() > 32) {
                throw new IllegalArgumentException(subUnis.size() + " Port-Addresses; one request takes 32");
            }
        }
    }

    /**
     * A part of a port's table of devices.
     *
     * @param physicalPort counted from 1
     * @param available false when the node has no table to give: discovery is off, or not at its end
     * @param total how many devices the whole table has
     * @param block counted from 0
     */
    record TodData(
            int physicalPort,
            int bindIndex,
            PortAddress address,
            boolean available,
            int total,
            int block,
            List<Uid> uids)
            implements ArtPacket {
        public TodData {
            uids = List.copyOf(uids);
            if (uids.size() > 200) {
                throw new IllegalArgumentException(uids.size() + " UIDs; one packet takes 200");
            }
        }
    }

    /** Tells a port to discover its devices anew. */
    record TodControl(PortAddress address, int command) implements ArtPacket {
        public static final int FLUSH = 1;
    }

    /**
     * Carries RDM to or from a port.
     *
     * @param message an RDM message without its start code
     */
    record Rdm(PortAddress address, Bytes message) implements ArtPacket {
        public static Rdm carrying(PortAddress address, RdmMessage message) {
            byte[] whole = message.encode();
            return new Rdm(address, Bytes.of(Arrays.copyOfRange(whole, 1, whole.length)));
        }

        /** The message, its start code put back. */
        public RdmMessage decoded() throws MalformedPacketException {
            return RdmMessage.decode(
                    new ByteWriter().u8(RdmMessage.START_CODE).bytes(message).toArray());
        }
    }

    /** A packet whose opcode is not known here. */
    record Unknown(int opcode, Bytes rest) implements ArtPacket {}
}
