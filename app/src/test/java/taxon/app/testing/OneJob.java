package taxon.app.testing;

import taxon.app.testing.Http.Answer;

/**
 * One job of a server that has others too, by its own addresses.
 *
 * @param path "/jobs/3"
 */
public record OneJob(Http http, String path) {
    /** A new one, on the server of all tests that keep to jobs of their own. */
    public static OneJob shared(String name) {
        Http http = TaxonServer.shared().http();
        return new OneJob(http, http.job(name));
    }

    /** Where a browser finds it, without a slash behind. */
    public String url() {
        return http.base() + path;
    }

    /** @param rest behind the job: "/boxes", or nothing */
    public Answer get(String rest) {
        return http.get(path + rest);
    }

    public Answer page(String rest) {
        return http.page(path + rest);
    }

    public Answer post(String rest, Object... fields) {
        return http.post(path + rest, fields);
    }

    /** Posts on its newest version. */
    public Answer edit(String rest, Object... fields) {
        Object[] all = new Object[fields.length + 2];
        all[0] = "version";
        all[1] = http.version(path);
        System.arraycopy(fields, 0, all, 2, fields.length);
        return post(rest, all);
    }
}
