package taxon.app.store;

import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

/** The table of revisions. */
@Mapper
interface RevisionMapper {
    record RevisionRow(int number, String note, String who, String frozenAt, int journalId, long version) {}

    record ContentRow(String document, byte @Nullable [] bundle) {}

    @Insert("""
            insert into revision (job_id, number, note, who, frozen_at, journal_id, version, document, said)
            values (#{job}, #{number}, #{note}, #{who}, #{at}, #{journal}, #{version}, #{document}, #{said})
            """)
    void add(
            @Param("job") int job,
            @Param("number") int number,
            @Param("note") String note,
            @Param("who") String who,
            @Param("at") String at,
            @Param("journal") int journal,
            @Param("version") long version,
            @Param("document") String document,
            @Param("said") String said);

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

    @Select("select document, bundle from revision where job_id = #{job} and number = #{number}")
    Optional<ContentRow> content(@Param("job") int job, @Param("number") int number);

    @Update("""
            update revision set bundle = #{bundle}, bundle_at = #{at}
            where job_id = #{job} and number = #{number} and bundle is null
            """)
    void keep(
            @Param("job") int job, @Param("number") int number, @Param("bundle") byte[] bundle, @Param("at") String at);

    @Select("select said from revision where job_id = #{job} and number = #{number}")
    Optional<String> said(@Param("job") int job, @Param("number") int number);

    @Select("select version from revision where job_id = #{job} and number = #{number}")
    Optional<Long> versionOf(@Param("job") int job, @Param("number") int number);
}
