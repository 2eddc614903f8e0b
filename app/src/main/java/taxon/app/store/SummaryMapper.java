package taxon.app.store;

import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;

/** The table of what the list of jobs shows. */
@Mapper
interface SummaryMapper {
    record SummaryRow(
            int id,
            String name,
            String venue,
            @Nullable String fromDay,
            @Nullable String toDay,
            @Nullable Integer fixtures,
            @Nullable Integer stops,
            String place,
            @Nullable Integer ofJob) {}

    @Select("""
            select id, name, venue, from_day, to_day, fixtures, stops, place, of_job
            from job left join job_summary on job_summary.job_id = id and job_summary.version = job.version
            left join variant on variant.job_id = id order by id
            """)
    List<SummaryRow> all();

    @Insert("""
            insert into job_summary (job_id, version, fixtures, stops) values (#{job}, #{version}, #{fixtures}, #{stops})
            on conflict (job_id) do update set version = excluded.version, fixtures = excluded.fixtures, stops = excluded.stops
            """)
    void put(
            @Param("job") int job,
            @Param("version") long version,
            @Param("fixtures") int fixtures,
            @Param("stops") int stops);
}
