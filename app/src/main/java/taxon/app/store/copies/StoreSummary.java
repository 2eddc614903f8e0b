package taxon.app.store.copies;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import taxon.app.store.file.StoreFile;

/** What stands in a store, job by job, read without changing it; for whoever decides between two stores. */
final class StoreSummary {
    private static final String QUERY = """
            select id, name, version, (select count(*) from fixture where job_id = job.id) as fixtures,
                coalesce((select max(at) from journal where job_id = job.id), created_at) as last
            from job order by id
            """;

    private StoreSummary() {}

    /** A line for each job: number, name, fixtures, edits, and when it was last changed. */
    static List<String> lines(StoreFile file) throws SQLException {
        List<String> lines = new ArrayList<>();
        try (Connection connection = file.reading().getConnection();
                Statement statement = connection.createStatement();
                ResultSet jobs = statement.executeQuery(QUERY)) {
            while (jobs.next()) {
                lines.add("  job " + jobs.getInt("id") + ", " + jobs.getString("name") + ": " + jobs.getInt("fixtures")
                        + " fixtures, version " + jobs.getLong("version") + ", last changed " + jobs.getString("last"));
            }
        }
        return lines.isEmpty() ? List.of("  no job") : lines;
    }
}
