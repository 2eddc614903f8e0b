package taxon.app.store;

import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

/** The table of proposals. */
@Mapper
interface ProposalMapper {
    record ProposalRow(int id, long baseVersion, String state, String request, String fileName) {}

    record PartRow(byte[] content) {}

    @Select("select coalesce(max(id), 0) + 1 from proposal")
    int nextId();

    @Insert("""
            insert into proposal (id, job_id, base_version, state, request, made_at, ended_at)
            values (#{id}, #{job}, #{version}, #{state}, #{request}, #{at}, #{ended})
            """)
    void add(
            @Param("id") int id,
            @Param("job") int job,
            @Param("version") long version,
            @Param("state") String state,
            @Param("request") String request,
            @Param("at") String at,
            @Param("ended") @Nullable String ended);

    @Insert("insert into proposal_file (proposal_id, name, whole) values (#{id}, #{name}, 0)")
    void addFile(@Param("id") int id, @Param("name") String name);

    @Insert("insert into proposal_file_part (proposal_id, number, content) values (#{id}, #{number}, #{content})")
    void addPart(@Param("id") int id, @Param("number") int number, @Param("content") byte[] content);

    @Update("update proposal set state = 'OPEN', ended_at = null where id = #{id}")
    void open(@Param("id") int id);

    @Update("update proposal_file set whole = 1 where proposal_id = #{id}")
    void complete(@Param("id") int id);

    @Select("""
            select count(*) from proposal_file_part join proposal_file using (proposal_id)
            where proposal_id = #{id} and whole = 1
            """)
    int parts(@Param("id") int id);

    @Select("select content from proposal_file_part where proposal_id = #{id} and number = #{number}")
    Optional<PartRow> part(@Param("id") int id, @Param("number") int number);

    @Select("""
            select id, base_version, state, request, coalesce(name, '') as file_name
            from proposal left join proposal_file on proposal_id = id
            where job_id = #{job} and id = #{id}
            """)
    Optional<ProposalRow> find(@Param("job") int job, @Param("id") int id);

    /** Open ones of a kind, the oldest first. */
    @Select("""
            select id, base_version, state, request, coalesce(name, '') as file_name
            from proposal left join proposal_file on proposal_id = id
            where job_id = #{job} and state = #{state} and json_extract(request, '$.kind') = #{kind}
            order by id limit 100
            """)
    List<ProposalRow> inState(@Param("job") int job, @Param("state") String state, @Param("kind") String kind);

    @Select("""
            select id, base_version, state, request, name as file_name
            from proposal join proposal_file on proposal_id = id
            where job_id = #{job} and whole = 1 and json_extract(request, '$.kind') = #{kind}
            order by id desc limit 1
            """)
    Optional<ProposalRow> newestFile(@Param("job") int job, @Param("kind") String kind);

    @Update("update proposal set request = #{request} where job_id = #{job} and id = #{id} and state = 'OPEN'")
    int choose(@Param("job") int job, @Param("id") int id, @Param("request") String request);

    @Update("""
            update proposal set state = #{state}, ended_at = #{at}
            where job_id = #{job} and id = #{id} and state = 'OPEN'
            """)
    int end(@Param("job") int job, @Param("id") int id, @Param("state") String state, @Param("at") String at);
}
