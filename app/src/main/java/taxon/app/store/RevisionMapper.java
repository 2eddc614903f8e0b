package taxon.app.store;

import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** The table of revisions. */
@Mapper
interface RevisionMapper {
    record RevisionRow(int number, String note, String who, String frozenAt, int journalId, long version) {}

    record BundleRow(byte[] bundle) {}

    @Insert("""
            insert into revision (job_id, number, note, who, frozen_at, journal_id, version, bundle)
            values (#{job}, #{number}, #{note}, #{who}, #{at}, #{journal}, #{version}, #{bundle})
            """)
    void add(
            @Param("job") int job,
            @Param("number") int number,
            @Param("note") String note,
            @Param("who") String who,
            @Param("at") String at,
            @Param("journal") int journal,
            @Param("version") long version,
            @Param("bundle") byte[] bundle);

    @Select("""
            select number, note, who, frozen_at, journal_id, version from revision
            where job_id = #{job} order by number desc
            """)
    List<RevisionRow> all(int job);

    @Select("""
            select number, note, who, frozen_at, journal_id, version from revision
            where job_id = #{job} order by number desc limit 1
            """)
    Optional<RevisionRow> latest(int job);

    @Select("select bundle from revision where job_id = #{job} and number = #{number}")
    Optional<BundleRow> bundle(@Param("job") int job, @Param("number") int number);
}
