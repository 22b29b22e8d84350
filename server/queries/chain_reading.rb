# frozen_string_literal: true

module Fujin
  # The school's chain read whole, from its first link: is each the one that was signed, by a key of the school, after
  # the one before it, and does the row it is about say the same? A row without a link was never signed.
  class ChainReading
    BATCH = 500
    # Tables whose rows are each of one link.
    SIGNED = { 'sign_off' => 'SignOff', 'sign_off_withdrawal' => 'SignOffWithdrawal',
               'solo_authority' => 'SoloAuthority', 'solo_withdrawal' => 'SoloWithdrawal' }.freeze

    # What is wrong, and where. @!attribute position [Integer, nil] of the link
    Fault = Struct.new(:position, :text, keyword_init: true) do
      def to_s = position ? Text.of('Link %{position}: %{text}', position: position, text: text) : text
    end

    attr_reader :faults, :links, :latest_hash

    def initialize
      @faults = []
      @links = 0
      @latest_hash = SignOffDocument::FIRST
      @key = nil
      read
      unsigned
      last_key
      freeze
    end

    def holds? = faults.empty?

    # @return [Hash{Symbol => Object}] as ChainCheck keeps it
    def to_h = { holds: holds?, links: links, latest_hash: latest_hash, faults: faults.map(&:to_s) }

    # What is wrong with one link, as its page shows it.
    # @param link [ChainLink, nil] of a row that was signed
    # @return [String, nil]
    def self.fault_of(link)
      return 'it was never signed: nothing in the chain is of it' if link.nil?

      SignOffDocument.verify(link.document)
      return 'it is not what the chain says of it: it was exchanged' unless own?(link)

      before = ChainLink.find_by(position: link.position - 1)
      return if follows?(link, before)

      'it does not follow the link before it: one was removed or altered'
    rescue SignOffDocument::Broken => e
      e.message
    end

    def self.follows?(link, before)
      previous = before ? before.document_hash : SignOffDocument::FIRST
      link.statement['previous_hash'] == previous && (before || link.position == 1)
    end

    # The row says what was signed of it.
    def self.own?(link)
      statement = link.statement
      return false unless link.document_hash == link.parsed['hash']
      return statement['kind'] == SignOffDocument::NEW_KEY if link.new_key

      row = SIGNED.keys.filter_map { |name| link.public_send(name) }.first
      row && row.id == statement['id'] && said(row).all? { |name, value| statement[name] == value }
    end

    def self.said(row)
      case row
      when SignOff then { 'manoeuvre' => row.manoeuvre, 'student_id' => row.student_id, 'instructor_id' => row.by_id }
      when SignOffWithdrawal then { 'withdraws' => row.sign_off_id, 'reason' => row.reason }
      when SoloAuthority then { 'student_id' => row.student_id, 'until' => row.until_on.iso8601 }
      when SoloWithdrawal then { 'withdraws' => row.solo_authority_id, 'reason' => row.reason }
      end
    end
    private_class_method :said

    private

    def read
      before = nil
      ChainLink.preload(*SIGNED.keys.map(&:to_sym)).in_batches(of: BATCH) do |batch|
        batch.in_order.each do |link|
          look(link, before)
          before = link
        end
      end
    end

    def look(link, before)
      @links += 1
      fault(link, 'the link before it is missing: links were removed') if link.position != (before&.position || 0) + 1
      verdict = SignOffDocument.verify(link.document)
      fault(link, 'the row that it is about says something else than what was signed') unless self.class.own?(link)
      unless link.statement['previous_hash'] == @latest_hash
        fault(link, 'it does not follow the link before it: one was removed or altered')
      end
      keys(link, verdict)
    rescue SignOffDocument::Broken => e
      fault(link, e.message)
    ensure
      @latest_hash = link.document_hash
    end

    # Signed by the key that the school had then; the next one is named by a link of its own.
    def keys(link, verdict)
      @key ||= verdict.public_key
      lost = link.statement['lost'] && link.new_key
      fault(link, 'it was signed with a key that is not the school\'s') unless verdict.public_key == @key || lost
      @key = link.statement['new_public_key'] if link.new_key
    end

    def last_key
      return if @key.nil? || @key == School.current.public_key

      @faults << Fault.new(text: "The school's key is not the one that its chain names: it was exchanged.")
    end

    def unsigned
      SIGNED.each do |name, model|
        count = Fujin.const_get(model).where.missing(:link).count
        next if count.zero?

        @faults << Fault.new(text: Text.of('%{number} of %{kind} stand in the database without ever having been ' \
          'signed.',
                                           number: count, kind: name.tr('_', ' ').pluralize))
      end
    end

    def fault(link, text) = @faults << Fault.new(position: link.position, text: text)
  end
end
