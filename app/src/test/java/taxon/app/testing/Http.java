package taxon.app.testing;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicReference;
import taxon.formats.json.Json;
import tools.jackson.databind.JsonNode;

/** Speaks to the server as a script does: plain forms, JSON answers. */
public final class Http {
    private static final String TOKEN = "test";
    private static final String BOUNDARY = "----taxon-test";

    private String who = "";
    private final HttpClient client = HttpClient.newHttpClient();
    private final String base;

    public Http(String base) {
        this.base = base;
    }

    /** The address of the server: "http://127.0.0.1:8080". */
    public String base() {
        return base;
    }

    /** A response with its body as bytes, text or JSON. */
    public record Answer(int status, byte[] bytes, HttpResponse<byte[]> response) {
        public String text() {
            return new String(bytes, StandardCharsets.UTF_8);
        }

        public JsonNode json() {
            return Json.parse(bytes);
        }

        /** All reasons that a refusal gave, in one text. */
        public String reasons() {
            List<String> sentences = new ArrayList<>();
            json().path("reasons").forEach(r -> sentences.add(r.path("sentence").asString()));
            return String.join(" ", sentences);
        }
    }

    public Answer get(String path) {
        return send(request(path).header("Accept", "application/json").GET());
    }

    /** As a browser asks, again and again while what the page shows is being computed. */
    public Answer page(String path) {
        AtomicReference<Answer> answer = new AtomicReference<>();
        Wait.until(path + " was not computed in time", () -> {
            answer.set(send(request(path).header("Accept", "text/html").GET()));
            return !answer.get().text().contains("id=\"running\"");
        });
        return answer.get();
    }

    /** Whose browser it is from now on; a name of letters only. */
    public void as(String name) {
        who = name;
    }

    /**
     * Posts to job 1 on its newest version.
     *
     * @param path behind the job: "/boxes"
     */
    public Answer edit(String path, Object... fields) {
        Object[] all = new Object[fields.length + 2];
        all[0] = "version";
        all[1] = version(1);
        System.arraycopy(fields, 0, all, 2, fields.length);
        return post("/jobs/1" + path, all);
    }

    public long version(int job) {
        return version("/jobs/" + job);
    }

    /** The version of a job by its path. */
    public long version(String job) {
        return get(job + "/version").json().path("version").asLong();
    }

    /** Posts to a job on its newest version, which is done. */
    public Answer editOf(String job, String path, Object... fields) {
        List<Object> all = new ArrayList<>(List.of("version", version(job)));
        all.addAll(List.of(fields));
        Answer answer = post(job + path, all.toArray());
        if (answer.status() != 200) {
            throw new AssertionError(path + ": " + answer.text());
        }
        return answer;
    }

    /** Makes a job and gives its path, "/jobs/3". */
    public String job(String name) {
        return "/jobs/" + post("/jobs", "name", name).json().path("job").asInt();
    }

    /** Makes a job with so many fixtures of one type, from ID 101 on and without an address, and gives its path. */
    public String jobOfTerns(String name, int count) {
        String job = job(name);
        editOf(
                job,
                "/fixtures",
                "count",
                count,
                "type",
                "fernglass-tern/16-channel",
                "position",
                "North quay",
                "firstId",
                101);
        return job;
    }

    /** Asks for something to be printed, waits until it is drawn, and gets its file. */
    public byte[] printed(String path, Object... fields) {
        Answer asked = post(path, fields);
        if (asked.status() != 200) {
            throw new AssertionError(path + ": " + asked.text());
        }
        String print = asked.json().path("next").asString();
        Wait.until(
                print + " was not drawn in time",
                () -> !get(print).json().path("state").asString().matches("waiting|drawing"));
        Answer file = get(print + "/file");
        if (file.status() != 200) {
            throw new AssertionError(get(print).text());
        }
        return file.bytes();
    }

    /** Posts a form; names and values in turn. */
    public Answer post(String path, Object... fields) {
        return send(form(path, fields).header("Accept", "application/json"));
    }

    /** Posts a form as a browser does. */
    public Answer postPage(String path, Object... fields) {
        return send(form(path, fields).header("Accept", "text/html"));
    }

    private HttpRequest.Builder form(String path, Object... fields) {
        StringBuilder body = new StringBuilder("_csrf=" + TOKEN);
        for (int i = 0; i < fields.length; i += 2) {
            body.append('&').append(encoded(fields[i])).append('=').append(encoded(fields[i + 1]));
        }
        return request(path)
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(BodyPublishers.ofString(body.toString()));
    }

    public Answer upload(String path, String fileName, byte[] content) {
        List<byte[]> parts = List.of(
                ("--" + BOUNDARY + "\r\nContent-Disposition: form-data; name=\"_csrf\"\r\n\r\n" + TOKEN + "\r\n--"
                                + BOUNDARY
                                + "\r\nContent-Disposition: form-data; name=\"file\"; filename=\"" + fileName
                                + "\"\r\nContent-Type: application/octet-stream\r\n\r\n")
                        .getBytes(StandardCharsets.UTF_8),
                content,
                ("\r\n--" + BOUNDARY + "--\r\n").getBytes(StandardCharsets.UTF_8));
        return send(request(path)
                .header("Accept", "application/json")
                .header("Content-Type", "multipart/form-data; boundary=" + BOUNDARY)
                .POST(BodyPublishers.ofByteArray(joined(parts))));
    }

    private static byte[] joined(List<byte[]> parts) {
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        parts.forEach(all::writeBytes);
        return all.toByteArray();
    }

    public Answer send(HttpRequest.Builder request) {
        try {
            HttpResponse<byte[]> response = client.send(request.build(), BodyHandlers.ofByteArray());
            return new Answer(response.statusCode(), response.body(), response);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new AssertionError(e);
        }
    }

    public HttpRequest.Builder request(String path) {
        return HttpRequest.newBuilder(URI.create(base + path))
                .header("Cookie", "XSRF-TOKEN=" + TOKEN + (who.isEmpty() ? "" : "; who=" + who));
    }

    private static String encoded(Object value) {
        return URLEncoder.encode(String.valueOf(value), StandardCharsets.UTF_8);
    }
}
