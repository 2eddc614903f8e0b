package taxon.app.store;

import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
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

    record SummedRow(
            int id,
            String code,
            String kind,
            String query,
            String revision,
            String who,
            String printedAt,
            String fingerprint) {}

    /** The same with the sums of what stands on them. */
    @Select("""
            select print.id, print.code, kind, query, revision, who, printed_at, fingerprint
            from print join paper using (code)
            where print.job_id = #{job} and taken_back is null order by print.id desc
            """)
    List<SummedRow> outWithSums(int job);

    @Select("""
            select print.id, print.code, kind, query, revision, who, printed_at, fingerprint
            from print join paper using (code)
            where print.job_id = #{job} and taken_back is null and query = #{query} order by print.id desc
            """)
    List<SummedRow> outOf(@Param("job") int job, @Param("query") String query);

    @Select("select count(*) from print where job_id = #{job} and taken_back is null")
    int count(int job);

    /** Prints are added and taken back, never removed. */
    @Select("select count(*) + 1000000 * count(taken_back) from print where job_id = #{job}")
    long marks(int job);

    record KeptRow(String name, String kind, String query) {}

    @Select("select name, kind, query from kept_paper where job_id = #{job} order by name")
    List<KeptRow> keptPapers(int job);

    @Insert("""
            insert into kept_paper (job_id, name, kind, query) values (#{job}, #{name}, #{kind}, #{query})
            on conflict (job_id, name) do update set kind = excluded.kind, query = excluded.query
            """)
    void keepPaper(
            @Param("job") int job,
            @Param("name") String name,
            @Param("kind") String kind,
            @Param("query") String query);

    @Delete("delete from kept_paper where job_id = #{job} and name = #{name}")
    int forgetPaper(@Param("job") int job, @Param("name") String name);

    @Update("update print set taken_back = #{at} where id = #{id} and job_id = #{job} and taken_back is null")
    int takeBack(@Param("job") int job, @Param("id") int id, @Param("at") String at);
}
