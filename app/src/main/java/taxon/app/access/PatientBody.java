package taxon.app.access;

import java.io.IOException;
import java.net.SocketTimeoutException;
import java.util.concurrent.TimeUnit;
import java.util.function.LongSupplier;
import org.apache.coyote.InputBuffer;
import org.apache.tomcat.util.net.ApplicationBufferHandler;

/**
 * The body of a request, for as long as it comes fast enough. Whoever reads it, forms and files alike,
 * reads through here.
 */
final class PatientBody implements InputBuffer {
    /** What anyone gets, however little is sent. */
    static final long GRACE_NANOS = TimeUnit.SECONDS.toNanos(10);
    /** The slowest line that a file is taken from, in bytes each second. */
    static final long SLOWEST = 64 * 1024;

    private final InputBuffer body;
    private final LongSupplier nanos;
    private final long begun;
    private long read;
    private boolean givenUp;

    PatientBody(InputBuffer body, LongSupplier nanos) {
        this.body = body;
        this.nanos = nanos;
        this.begun = nanos.getAsLong();
    }

    @Override
    public int doRead(ApplicationBufferHandler handler) throws IOException {
        if (nanos.getAsLong() - begun > GRACE_NANOS + TimeUnit.SECONDS.toNanos(read / SLOWEST)) {
            givenUp = true;
            throw new SocketTimeoutException("the body came slower than " + SLOWEST + " bytes a second");
        }
        int count = patiently(handler);
        read += Math.max(0, count);
        return count;
    }

    private int patiently(ApplicationBufferHandler handler) throws IOException {
        try {
            return body.doRead(handler);
        } catch (IOException nothingCame) {
            givenUp = true;
            throw nothingCame;
        }
    }

    /** True when too little came, or the line broke: what is still to come is not waited for. */
    boolean isGivenUp() {
        return givenUp;
    }

    @Override
    public int available() {
        return body.available();
    }
}
