package taxon.app.access;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.net.SocketTimeoutException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import org.apache.coyote.InputBuffer;
import org.apache.tomcat.util.net.ApplicationBufferHandler;
import org.junit.jupiter.api.Test;

/** How long a body is waited for. */
class PatientBodyTest {
    private final AtomicLong nanos = new AtomicLong();

    /** A body that gives so many bytes at each read, each of which takes a while. */
    private PatientBody body(int bytes, long millis) {
        InputBuffer slow = new InputBuffer() {
            @Override
            public int doRead(ApplicationBufferHandler handler) {
                nanos.addAndGet(TimeUnit.MILLISECONDS.toNanos(millis));
                return bytes;
            }

            @Override
            public int available() {
                return 0;
            }
        };
        return new PatientBody(slow, nanos::get);
    }

    private static int read(PatientBody body, int times) throws IOException {
        int read = 0;
        for (int n = 0; n < times; n++) {
            read += body.doRead(ApplicationBufferHandler.EMPTY);
        }
        return read;
    }

    @Test
    void aByteEverySecondIsGivenUpAfterTenSeconds() throws IOException {
        PatientBody body = body(1, 1_000);
        assertThat(read(body, 11)).isEqualTo(11);
        assertThatThrownBy(() -> read(body, 1)).isInstanceOf(SocketTimeoutException.class);
    }

    @Test
    void aSlowLineThatKeepsSendingIsWaitedFor() throws IOException {
        PatientBody body = body(70_000, 1_000);
        assertThat(read(body, 1_000)).isEqualTo(70_000_000);
    }
}
