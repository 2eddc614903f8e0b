package taxon.app.store;

import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** The tables of papers that were printed. */
@Mapper
interface PrintMapper {
    record PaperRow(String code, int jobId, String kind, String query, String fingerprint, byte[] content) {}

    record PrintRow(int id, String code, String kind, String query, String revision, String who, String printedAt) {}

    @Select("select code, job_id, kind, query, fingerprint, content from paper where code = #{code}")
    Optional<PaperRow> paper(String code);

    @Insert("""
            insert into paper (code, job_id, kind, query, fingerprint, content)
            values (#{code}, #{job}, #{kind}, #{query}, #{fingerprint}, #{content})
            """)
    void keep(
            @Param("code") String code,
            @Param("job") int job,
            @Param("kind") String kind,
            @Param("query") String query,
            @Param("fingerprint") String fingerprint,
            @Param("content") byte[] content);

    @Insert("""
            insert into print (code, job_id, revision, who, printed_at)
            values (#{code}, #{job}, #{revision}, #{who}, #{at})
            """)
    void printed(
            @Param("code") String code,
            @Param("job") int job,
            @Param("revision") String revision,
            @Param("who") String who,
            @Param("at") String at);

    /** Those that were not taken back, the newest first. */
    @Select("""
            select print.id, print.code, kind, query, revision, who, printed_at
            from print join paper using (code)
            where print.job_id = #{job} and taken_back is null order by print.id desc
            """)
    List<PrintRow> out(int job);

    record WordedRow(
            int id,
            String code,
            String kind,
            String query,
            String revision,
            String who,
            String printedAt,
            byte[] content) {}

    /** The same with what stands on them. */
    @Select("""
            select print.id, print.code, kind, query, revision, who, printed_at, content
            from print join paper using (code)
            where print.job_id = #{job} and taken_back is null order by print.id desc
            """)
    List<WordedRow> outWithWords(int job);

    @Select("""
            select print.id, print.code, kind, query, revision, who, printed_at, content
            from print join paper using (code)
            where print.job_id = #{job} and taken_back is null and query = #{query} order by print.id desc
            """)
    List<WordedRow> outOf(@Param("job") int job, @Param("query") String query);

    @Select("select count(*) from print where job_id = #{job} and taken_back is null")
    int count(int job);

    /** Prints are added and taken back, never removed. */
    @Select("select count(*) + 1000000 * count(taken_back) from print where job_id = #{job}")
    long marks(int job);

    @Update("update print set taken_back = #{at} where id = #{id} and job_id = #{job} and taken_back is null")
    int takeBack(@Param("job") int job, @Param("id") int id, @Param("at") String at);
}
