package taxon.wire.rdm.codec;

import java.util.Arrays;
import taxon.wire.bytes.ByteReader;
import taxon.wire.bytes.ByteWriter;
import taxon.wire.bytes.Bytes;
import taxon.wire.bytes.MalformedPacketException;

/**
 * One RDM message (ANSI E1.20, 6.2, from memory).
 *
 * <pre>
 *  0 start code 0xCC       10 source UID (4 of 6)     20 command class
 *  1 sub-start code 0x01   15 transaction number      21 parameter ID (2)
 *  2 message length        16 port ID / response type 23 data length
 *  3 destination UID (6)   17 message count           24 data, then the checksum (2)
 *  9 source UID (6)        18 sub-device (2)
 * </pre>
 *
 * @param transaction 0 to 255
 * @param portOrResponse the port ID in a request, the response type in a response
 * @param subDevice 0 for the device itself, 1 to 512 for its sub-devices
 * @param data at most 231 bytes
 */
public record RdmMessage(
        Uid destination,
        Uid source,
        int transaction,
        int portOrResponse,
        int messageCount,
        int subDevice,
        CommandClass commandClass,
        int pid,
        Bytes data) {
    public static final int START_CODE = 0xCC;
    public static final int ACK = 0;
    public static final int ACK_TIMER = 1;
    public static final int NACK = 2;
    public static final int ACK_OVERFLOW = 3;
    public static final int MOST_DATA = 231;

    private static final int SUB_START_CODE = 0x01;
    private static final int HEADER = 24;
    private static final int CHECKSUM = 2;

    public RdmMessage {
        if (data.length() > MOST_DATA) {
            throw new IllegalArgumentException(data.length() + " bytes of data are more than " + MOST_DATA);
        }
    }

    /** A request from a controller's first port. */
    public static RdmMessage request(
            Uid destination,
            Uid source,
            int transaction,
            int subDevice,
            CommandClass commandClass,
            int pid,
            Bytes data) {
        return new RdmMessage(destination, source, transaction, 1, 0, subDevice, commandClass, pid, data);
    }

    /** The answer to this request, from the device to whoever asked. */
    public RdmMessage answer(int responseType, Bytes answerData) {
        return new RdmMessage(
                /* destination= */ source,
                /* source= */ destination,
                transaction,
                responseType,
                0,
                subDevice,
                commandClass.response(),
                pid,
                answerData);
    }

    public RdmMessage refuse(NackReason reason) {
        return answer(NACK, Bytes.of(0, reason.code()));
    }

    /** True when this answers that request. */
    public boolean answers(RdmMessage request) {
        return source.equals(request.destination)
                && destination.equals(request.source)
                && transaction == request.transaction
                && pid == request.pid
                && subDevice == request.subDevice
                && commandClass == request.commandClass.response();
    }

    /** True when this is an answer to that request for queued messages: to what the device was asked before, whatever that was. */
    public boolean comesFromTheQueue(RdmMessage request) {
        return source.equals(request.destination)
                && destination.equals(request.source)
                && transaction == request.transaction
                && (commandClass == CommandClass.GET_RESPONSE || commandClass == CommandClass.SET_RESPONSE);
    }

    /** The whole message, start code and checksum included. */
    public byte[] encode() {
        ByteWriter out = new ByteWriter().u8(START_CODE).u8(SUB_START_CODE).u8(HEADER + data.length());
        destination.write(out);
        source.write(out);
        out.u8(transaction).u8(portOrResponse).u8(messageCount).u16(subDevice);
        out.u8(commandClass.code()).u16(pid).u8(data.length()).bytes(data);
        return out.u16(checksum(out.toArray())).toArray();
    }

    /** Reads a whole message, start code included. */
    public static RdmMessage decode(byte[] bytes) throws MalformedPacketException {
        ByteReader in = new ByteReader(bytes);
        in.expect("the start code", START_CODE, in.u8());
        in.expect("the sub-start code", SUB_START_CODE, in.u8());
        int length = in.u8();
        in.expect("the length of the message", length + CHECKSUM, bytes.length);
        Uid destination = Uid.read(in);
        Uid source = Uid.read(in);
        int transaction = in.u8();
        int portOrResponse = in.u8();
        int messageCount = in.u8();
        int subDevice = in.u16();
        CommandClass commandClass = CommandClass.of(in.u8());
        int pid = in.u16();
        int dataLength = in.u8();
        in.expect("the data length", length - HEADER, dataLength);
        Bytes data = in.bytes(dataLength);
        in.expect("the checksum", checksum(Arrays.copyOf(bytes, length)), in.u16());
        return new RdmMessage(
                destination, source, transaction, portOrResponse, messageCount, subDevice, commandClass, pid, data);
    }

    private static int checksum(byte[] message) {
        int sum = 0;
        for (byte b : message) {
            sum += b & 0xFF;
        }
        return sum & 0xFFFF;
    }
}
