package taxon.wire.link;

import java.io.IOException;
import taxon.core.network.Ipv4;

/** A packet that was not sent since nobody armed output to its destination. */
public final class SendForbiddenException extends IOException {
    private static final long serialVersionUID = 1L;

    SendForbiddenException(Ipv4 destination) {
        super("output to " + destination + " is not armed");
    }
}
