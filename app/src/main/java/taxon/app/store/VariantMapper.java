package taxon.app.store;

import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** The table of variants. */
@Mapper
interface VariantMapper {
    record VariantRow(int jobId, int ofJob, String base, String madeAt) {}

    @Insert("insert into variant (job_id, of_job, base, made_at) values (#{job}, #{of}, #{base}, #{at})")
    void add(@Param("job") int job, @Param("of") int of, @Param("base") String base, @Param("at") String at);

    @Select("select job_id, of_job, base, made_at from variant where job_id = #{job}")
    Optional<VariantRow> find(int job);

    /** In the order in which they were made. */
    @Select("select variant.job_id from variant join job on job.id = variant.job_id "
            + "where of_job = #{of} and place = 'in-use' order by variant.job_id")
    List<Integer> of(int of);
}
